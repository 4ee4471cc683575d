import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import type { BlockSimulation } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { Notices } from '../../entry/Notices';
import { stepsOf, Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { useSimulation } from './useSimulation';

const TREES = [200, 1_000, 5_000];

type Way = BlockSimulation['ways'][number];

/** The card carried out on many trees of this block, and beside it another school or system. */
export function OnTrees() {
  const { t, local } = useReading();
  const { view, entry, plan } = usePlantingWork();
  const catalogue = useCatalogue();
  const mine = useSimulation(view.id);
  const other = useSimulation(view.id);
  const [trees, setTrees] = useState(TREES[0]!);
  const [against, setAgainst] = useState('');
  const system = plan.planting!.system;
  const cutting = entry.cutting ?? {};
  const crop = plan.planting!.variety.crop;
  const schools = system.questions.flatMap((q) =>
    q.options
      .filter((o) => o.id !== plan.prescription?.answers[q.id])
      .map((o) => ({ value: `${q.id}=${o.id}`, label: `${local(q.name)}: ${local(o.name)}` })),
  );
  const systems = (catalogue.data?.systems ?? [])
    .filter((s) => s.id !== system.id && s.crops.includes(crop))
    .map((s) => ({ value: `system=${s.id}`, label: local(s.name) }));
  const run = () => {
    void mine.run({ cutting, system: null, trees });
    if (against === '') return;
    const [question, answer] = against.split('=') as [string, string];
    void other.run(
      question === 'system'
        ? { cutting: {}, system: answer, trees }
        : { cutting: { ...cutting, answers: { ...cutting.answers, [question]: answer } }, system: null, trees },
    );
  };
  const { share, ahead } = mine.share !== null ? mine : other;
  const shown: { name: string; result: BlockSimulation }[] = [
    ...(mine.result ? [{ name: local(system.name), result: mine.result }] : []),
    ...(against !== '' && other.result
      ? [{ name: [...schools, ...systems].find((s) => s.value === against)?.label ?? '', result: other.result }]
      : []),
  ];
  return (
    <section className="on-trees">
      <h2>{t('simulation.heading')}</h2>
      <p className="small dim">{t('simulation.text')}</p>
      <div className="on-trees-tools">
        <Choice
          label={t('simulation.trees')}
          value={String(trees)}
          onChange={(v) => {
            setTrees(Number(v));
          }}
          options={TREES.map((n) => ({ value: String(n), label: t('simulation.of-trees', { count: n }) }))}
        />
        <Choice
          label={t('simulation.against')}
          value={against}
          onChange={setAgainst}
          empty={t('simulation.alone')}
          options={[...schools, ...systems]}
        />
        {share === null ? (
          <Button onClick={run} data-test="simulate">
            {t('simulation.run')}
          </Button>
        ) : (
          <Button
            onClick={() => {
              mine.cancel();
              other.cancel();
            }}
          >
            {ahead !== null
              ? t('simulation.waiting', { count: ahead })
              : t('simulation.cancel', { share: Math.round(share * 100) })}
          </Button>
        )}
      </div>
      {(mine.problem ?? other.problem) && <p className="field-problem">{mine.problem ?? other.problem}</p>}
      {shown.length > 0 && <Compared shown={shown} />}
    </section>
  );
}

function Compared({ shown }: { shown: { name: string; result: BlockSimulation }[] }) {
  const { t, number, told } = useReading();
  const lines: [string, (r: BlockSimulation) => string][] = [
    ['in-band', (r) => told(r.outcome.inBand, 'share', 0)],
    ['left', (r) => `${number(r.outcome.budsLeft, 0)} ± ${told(r.outcome.budsLeftSd, 'bud/tree', 0)}`],
    ['below', (r) => told(r.outcome.belowBefore, 'share', 0)],
    ['limbs', (r) => told(r.outcome.limbsLeft, 'limb/tree', 1)],
    ['big-cuts', (r) => told(r.outcome.bigCuts, 'cut/tree', 1)],
    ['wood', (r) => told(r.outcome.woodShare, 'share', 0)],
    ['minutes', (r) => told(r.outcome.minutes, 'min/tree', 1)],
    ['thinning', (r) => told(r.outcome.clustersToThinning, 'cluster/tree', 0)],
  ];
  return (
    <>
      <table className="figures" data-test="simulation">
        <thead>
          <tr>
            <th>{t('simulation.each')}</th>
            {shown.map((s) => (
              <th key={s.name} className="number">
                {s.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(([key, of]) => (
            <tr key={key}>
              <td>{t(`simulation.${key}`)}</td>
              {shown.map((s) => (
                <td key={s.name} className="number">
                  <Why steps={stepsOf(s.result.steps, `simulation.${key}`)}>
                    {key === 'in-band' ? <strong>{of(s.result)}</strong> : of(s.result)}
                  </Why>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {(shown[0]?.result.ways.length ?? 0) > 0 && <Ways result={shown[0]!.result} />}
      {(shown[0]?.result.counted.length ?? 0) > 0 && <Counted trees={shown[0]!.result.counted} />}
      <div className="on-trees-spreads">
        {shown.map((s) => (
          <Spread key={s.name} name={s.name} result={s.result} />
        ))}
      </div>
      <Notices notices={shown.flatMap((s) => s.result.warnings)} />
    </>
  );
}

/** The same trees worked in three ways, each with people's errors: how near they come, and at what cost. */
function Ways({ result: { ways, skill } }: { result: BlockSimulation }) {
  const { t, number, told } = useReading();
  const lines: [string, (way: Way) => ReactNode][] = [
    ['on-target', (w) => told(w.onTarget, 'share', 0)],
    ['left', (w) => `${number(w.budsLeft, 0)} ± ${told(w.budsLeftSd, 'bud/tree', 0)}`],
    ['minutes', (w) => told(w.minutes, 'min/tree', 1)],
    ['short', (w) => told(w.fruitShort, 'fruit/tree', 1)],
    ['over', (w) => told(w.clustersOver, 'cluster/tree', 1)],
    ['cost', (w) => <Why steps={stepsOf(w.steps, 'ways.cost')}>{told(w.costPerTree, 'money/tree', 2)}</Why>],
  ];
  return (
    <section data-test="ways">
      <h3>{t('ways.heading')}</h3>
      <p className="small dim">
        {t('ways.text', {
          thickness: told(skill.thicknessCv, 'share', 0),
          judgement: told(skill.judgementCv, 'share', 0),
          every: skill.countedEvery,
        })}
      </p>
      <table className="figures">
        <thead>
          <tr>
            <td />
            {ways.map((w) => (
              <WayHead key={w.way} way={w} />
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(([key, of]) => (
            <tr key={key}>
              <td>{t(`ways.${key}`)}</td>
              {ways.map((w) => (
                <td key={w.way} className="number">
                  {of(w)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function WayHead({ way }: { way: Way }) {
  const { t } = useReading();
  const { plan } = usePlantingWork();
  return (
    <th className="number">
      {t(`ways.${way.way}`)}
      {plan.prescription?.way === way.way && (
        <>
          <br />
          <span className="small">{t('ways.chosen')}</span>
        </>
      )}
      {way.isProposed && (
        <>
          <br />
          <span className="small">✓ {t('ways.proposed')}</span>
        </>
      )}
    </th>
  );
}

/** What the card does to each tree that was counted. */
function Counted({ trees }: { trees: BlockSimulation['counted'] }) {
  const { t, number } = useReading();
  const meant = trees.filter((c) => !c.belowBefore);
  const below = trees.length - meant.length;
  return (
    <details className="cutting-more" data-test="counted-cut">
      <summary>
        {[
          ...(meant.length > 0
            ? [t('simulation.counted', { count: meant.length, on: meant.filter((c) => c.inBand).length })]
            : []),
          ...(below > 0 ? [t('simulation.counted-below', { count: below })] : []),
        ].join(' · ')}
      </summary>
      <p className="small dim">{t('simulation.counted-text')}</p>
      <table className="figures">
        <thead>
          <tr>
            <th>{t('simulation.tree')}</th>
            <td />
            <th className="number">{t('simulation.stood')}</th>
            <th className="number">{t('simulation.stay')}</th>
            <th className="number">{t('simulation.wanted')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {trees.map((c) => (
            <tr key={`${c.row}/${c.tree}`}>
              <td>{t('bench.model', { row: c.row, tree: c.tree })}</td>
              <td className="dim">
                {t(`class.${c.class}`, { defaultValue: c.class })}
                {c.limbsMeasured && ` · ${t('simulation.measured')}`}
              </td>
              <td className="number">{number(c.before, 0)}</td>
              <td className="number">
                <strong>{number(c.left, 0)}</strong>
              </td>
              <td className="number">{number(c.wanted, 0)}</td>
              <td>
                {c.inBand
                  ? '✓'
                  : c.belowBefore
                    ? t('simulation.below-before')
                    : t(c.left > c.wanted ? 'simulation.more' : 'simulation.fewer')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** How far the trees end from their number: bars by buds left, the band wanted behind. */
function Spread({ name, result }: { name: string; result: BlockSimulation }) {
  const { t, number } = useReading();
  const shares = result.spread;
  const bins = shares.length;
  const most = Math.max(...shares, 0.01);
  const middle = (bins - 1) / 2;
  const dot = (tree: BlockSimulation['counted'][number]) => {
    const spread = result.classes.find((c) => c.name === tree.class)!.spread;
    const [from, to] = [spread[0]!.from, spread.at(-1)!.to];
    return Math.min(266, Math.max(4, ((tree.left - from) / (to - from)) * 270));
  };
  return (
    <figure className="spread" aria-label={t('simulation.spread', { name })}>
      <svg viewBox="0 0 270 118" role="img" aria-hidden>
        <rect x={(middle * 270) / bins} width={270 / bins} y={4} height={80} fill="var(--lichen-tint)" />
        {shares.map((s, i) => (
          <rect
            key={i}
            x={(i * 270) / bins + 2}
            width={270 / bins - 4}
            y={84 - (s / most) * 66}
            height={(s / most) * 66}
            fill={i === middle ? 'var(--plum)' : 'var(--plum-soft)'}
          />
        ))}
        {shares.map(
          (s, i) =>
            s >= 0.03 && (
              <text
                key={i}
                x={((i + 0.5) * 270) / bins}
                y={80 - (s / most) * 66}
                textAnchor="middle"
                className="spread-share"
              >
                {number(s * 100, 0)}
              </text>
            ),
        )}
        <line x1={0} x2={270} y1={84} y2={84} stroke="var(--bark)" />
        {result.counted.map((c) => (
          <circle key={`${c.row}/${c.tree}`} cx={dot(c)} cy={93} r={3.2} className="spread-tree" />
        ))}
        {[0, middle, bins - 1].map((i) => (
          <text key={i} x={((i + 0.5) * 270) / bins} y={112} textAnchor="middle" className="spread-name">
            {t(i === middle ? 'simulation.on-number' : i < middle ? 'simulation.fewer' : 'simulation.more')}
          </text>
        ))}
      </svg>
      <figcaption className="small dim">
        {name} · {t('simulation.percent')}
      </figcaption>
    </figure>
  );
}
