import { Link } from 'react-router';
import type { LearnedLine, PlantingLearningView } from '../../api/client';
import { ForetoldSeasons } from '../../drawings/ForetoldSeasons';
import { ChoiceField } from '../../entry/Choice';
import { Field } from '../../entry/Field';
import { Why } from '../../entry/Why';
import { Part } from '../../planting/Part';
import { usePlantingWork } from '../../planting/usePlanting';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { Pace } from '../crew/Pace';
import { decimalsOf, follows, quantities, setAside, standingOf, type LearnedQuantity } from './learningDraft';
import { useLearnedWork, useLearning } from './useLearning';

/** What past seasons taught, which number holds, and what that does to the plan of this winter. */
export function LearnedSheet() {
  const { t, number } = useReading();
  const { view } = usePlantingWork();
  const learning = useLearning(view);
  const may = useMay();
  if (!learning.data) return null;
  const { lines, with: held, without, setTaken } = learning.data.learning;
  const set = lines.find((l) => l.quantity === 'set');
  // Nothing taught and nothing set aside: an empty page says less than none.
  if (lines.every((l) => l.value === null && l.choice === null)) return null;
  return (
    <section className="sheet learned" data-test="learned">
      <h2>{t('learned.title')}</h2>
      <Comparison held={held} without={without} />
      {setTaken !== null && set && (
        <p data-test="set-taken">
          {t('set.taken', { taken: number(setTaken * 100, 0), now: number(set.held * 100, 0) })}{' '}
          <Link to={`/plantings/${view.id}/target#insurance`}>{t('learned.take')}</Link>
        </p>
      )}
      <p className="small dim">{t('learned.drawing')}</p>
      <Part section="learning">
        {lines.map((line) => (
          <Learned key={line.quantity} line={line} tests={learning.data.tests} />
        ))}
        {may('practice') && <Hours />}
      </Part>
    </section>
  );
}

type Glance = PlantingLearningView['learning']['with'];

function Comparison({ held, without }: { held: Glance; without: Glance }) {
  const { t, told, number } = useReading();
  const rows: [string, number | null, number | null, (value: number) => string][] = [
    ['yield', held.proposedYield, without.proposedYield, (v) => told(v, 't/ha', 1)],
    ['pack-out', held.proposedPackOut, without.proposedPackOut, (v) => told(v, 'share', 0)],
    ['factor', held.factor, without.factor, (v) => number(v, 2)],
    ['wanted', held.budsWanted, without.budsWanted, (v) => told(v, 'bud/tree', 0)],
    ['off', held.budsOff, without.budsOff, (v) => told(v, 'bud/tree', 0)],
    ['thinning', held.clustersToThinning, without.clustersToThinning, (v) => told(v, 'cluster/tree', 0)],
    ['minutes', held.minutesPerTree, without.minutesPerTree, (v) => told(v, 'min/tree', 1)],
    ['shoots', held.shootsCm, without.shootsCm, (v) => told(v, 'cm', 0)],
  ];
  const known = rows.filter(([, a, b]) => a !== null && b !== null);
  const differs = known.some(([, a, b, say]) => say(a!) !== say(b!));
  return (
    <>
      <p data-test="learned-effect">
        {held.factor !== null && without.factor !== null && number(held.factor, 2) !== number(without.factor, 2)
          ? t('learned.used', { factor: number(held.factor, 2), without: number(without.factor, 2) })
          : t(differs ? 'learned.proposal' : 'learned.not-used')}
      </p>
      {differs && (
        <table className="figures" data-test="learned-plans">
          <thead>
            <tr>
              <th>{t('learned.plan.head')}</th>
              <th className="number">{t('learned.with')}</th>
              <th className="number">{t('learned.without')}</th>
            </tr>
          </thead>
          <tbody>
            {held.decision !== null && without.decision !== null && (
              <tr className={held.decision === without.decision ? 'dim' : undefined}>
                <td>{t('learned.plan.decision')}</td>
                <td className="number">{t(`decision.${held.decision}`)}</td>
                <td className="number">{t(`decision.${without.decision}`)}</td>
              </tr>
            )}
            {known.map(([name, a, b, say]) => (
              <tr key={name} className={say(a!) === say(b!) ? 'dim' : undefined}>
                <td>{t(`learned.plan.${name}`)}</td>
                <td className="number">{say(a!)}</td>
                <td className="number">{say(b!)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function Learned({ line, tests }: { line: LearnedLine; tests: PlantingLearningView['tests'] }) {
  const { t, say, told } = useReading();
  const { value, standing, unit } = line;
  const decimals = decimalsOf(unit);
  const test = tests.find((b) => b.quantity === line.quantity);
  return (
    <section className="learned-number" data-test={`learned-${line.quantity}`}>
      <h3>{t(`learned.of.${line.quantity!}`)}</h3>
      <p className="small dim">{t(`learned.what.${line.quantity!}`)}</p>
      <p>
        {/* What nobody measured is not told in large type. */}
        {line.held !== 0 && (
          <Why main steps={value?.steps ?? []}>
            <span className={value ? 'result-big' : undefined}>{told(line.held, unit, decimals)}</span>
          </Why>
        )}{' '}
        <span className={standing === 'refused' ? 'results-short' : 'dim'} data-test="standing">
          {t(standingOf(line))}
        </span>
      </p>
      {value && (
        <>
          <p>
            {say(value.sentence)}{' '}
            <span className="dim">
              {t('learned.range', { low: told(value.low, unit, decimals), high: told(value.high, unit, decimals) })}
            </span>
          </p>
          {value.parts.length > 0 && (
            <p>
              {t('learned.parts')}{' '}
              {value.parts.map((p) => `${p.name ?? t('learned.parts-other')} ${told(p.share, 'share', 1)}`).join(' · ')}
            </p>
          )}
          {value.history.length > 1 && (
            <ForetoldSeasons
              seasons={value.history}
              shipped={unit === 'share' ? line.shipped : null}
              unit={value.historyUnit}
              decimals={value.historyUnit === 'share' ? 0 : 1}
              label={t('learned.drawing')}
            />
          )}
          {value.atLeast > 0 && <p className="small dim">{t('learned.at-least', { count: value.atLeast })}</p>}
        </>
      )}
      {value && test && (
        <p className="small" data-test="back-test">
          <Why steps={test.steps}>{say(test.sentence)}</Why>
        </p>
      )}
      <Follows of={line.quantity!} shipped={told(line.shipped, unit, decimals)} />
    </section>
  );
}

/** Hours of pruning, by the rows of this season that tell theirs. */
function Hours() {
  const { t, say, number } = useReading();
  const { view, may } = usePlantingWork();
  const work = useLearnedWork(true, view.plantingVersion);
  const hand = work.data?.plantings.find((p) => p.id === view.id);
  if (!work.data || (!hand && !may('learning'))) return null;
  return (
    <section className="learned-number" data-test="learned-hours">
      <h3>{t('learned.of.hours')}</h3>
      {hand?.hours && (
        <p>
          <span className="result-big">{t('learned.times', { factor: number(hand.hours.factor, 2) })}</span>{' '}
          <span className={hand.hours.standing === 'refused' ? 'results-short' : 'dim'} data-test="standing">
            {t(`learned.standing-hours.${hand.hours.standing}`)}
          </span>
        </p>
      )}
      {hand?.minutes && <Pace of={hand.minutes} />}
      {work.data.hoursTest && (
        <p className="small" data-test="back-test">
          <Why steps={work.data.hoursTest.steps}>{say(work.data.hoursTest.sentence)}</Why>
        </p>
      )}
      <Follows of="hours" shipped={t('learned.times', { factor: number(1, 2) })} />
    </section>
  );
}

// What a pinned number is told for each of.
const perWhat: Partial<Record<LearnedQuantity, string>> = {
  trunkGrowth: 'learned.pinned-growth',
  fruitMass: 'learned.pinned-density',
  returnBloom: 'learned.pinned-density',
  shootLength: 'learned.pinned-tenth',
  uprights: 'learned.pinned-tenth',
  hours: 'learned.pinned-times',
};

const other: Record<string, string[]> = { cm: ['cm', 'in'], g: ['g', 'oz'], '1': [] };

/** Whether a number follows its seasons, what Rama comes with, or a person's own, and why. */
function Follows({ of, shipped }: { of: LearnedQuantity; shipped: string }) {
  const { t } = useReading();
  const { draft, change, problem, may } = usePlantingWork();
  const typed = draft('learning');
  const place = setAside(typed).indexOf(of);
  const at = (field: string) => typed[`${of}.${field}`]!;
  const set = (field: string, text: string, unit?: string) => {
    change('learning', { ...typed, [`${of}.${field}`]: unit === undefined ? { ...at(field), text } : { text, unit } });
  };
  const chosen = at('follows').text;
  if (!may('learning') && chosen === 'seasons') return null;
  return (
    <div className="learned-follows">
      <div data-field={`learning.${of}.follows`}>
        <ChoiceField
          label={`${t(`learned.of.${of}`)}: ${t('learned.follows')}`}
          shown={t('learned.follows')}
          value={chosen}
          options={follows.map((f) => ({
            value: f,
            label: t(of === 'hours' && f !== 'pinned' ? `learned.follows-hours.${f}` : `learned.follows.${f}`, {
              shipped,
            }),
          }))}
          onChange={(text) => {
            set('follows', text);
          }}
        />
      </div>
      {chosen === 'pinned' && (
        <Field
          label={t(perWhat[of] ?? 'learned.pinned')}
          path={`learning.${of}.pinned`}
          text={at('pinned').text}
          units={other[quantities[of]] ?? [quantities[of]]}
          unit={at('pinned').unit}
          problem={problem('learning', `choices[${place}].pinned`)}
          onText={(text) => {
            set('pinned', text);
          }}
          onUnit={(unit) => {
            set('pinned', at('pinned').text, unit);
          }}
        />
      )}
      {chosen !== 'seasons' && (
        <Field
          label={t('learned.reason')}
          path={`learning.${of}.reason`}
          text={at('reason').text}
          numeric={false}
          problem={problem('learning', `choices[${place}].reason`)}
          onText={(text) => {
            set('reason', text);
          }}
        />
      )}
    </div>
  );
}
