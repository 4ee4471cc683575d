import { Button, Select } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CrewPlanView, TrialResult, TrialStep } from '../../../api/client';
import { fieldControls } from '../../../entry/fieldControls';
import { Why } from '../../../entry/Why';
import { useLongWork } from '../../../exchange/useLongWork';
import { useDays } from '../../../words/useDays';
import { useReading } from '../../../words/useReading';
import { CrewPlanFrame } from '../CrewPlanFrame';
import { useMoney } from '../useCrewPlan';
import { changeOf, entryOf, fieldsOf, kinds, type Change } from './change';
import './trial.css';

const MOST = 6;

/** What the work would come to with other crews, platforms or less depth: columns beside the work as it is. */
export function TrialPage() {
  const { t } = useReading();
  return (
    <CrewPlanFrame
      title={t('trial.title')}
      page={(plan) =>
        plan.tasks.length === 0 ? (
          <>
            <h1>{t('trial.title')}</h1>
            <p>
              {t('crew-plan.no-work')} <Link to="/crew">{t('crew-plan.title')}</Link>
            </p>
          </>
        ) : (
          <Trials plan={plan} />
        )
      }
    />
  );
}

function Trials({ plan }: { plan: CrewPlanView }) {
  const { t, language, number } = useReading();
  const day = useDays();
  const money = useMoney(plan);
  const [changes, setChanges] = useState<Change[]>(() => [changeOf('hire'), changeOf('lost'), changeOf('platforms')]);
  const work = useLongWork<TrialStep>('/api/v1/crew-plan/what-if');
  // What was tried: columns typed in since have no result.
  const [tried, setTried] = useState<Change[]>([]);
  const results = work.step?.results ?? [];
  const now = results[0];
  const resultOf = (change: Change) => {
    const at = tried.indexOf(change);
    return at < 0 ? undefined : results[at + 1];
  };
  const nameOf = (c: Change) => {
    const told = Object.fromEntries(Object.entries(c.draft).map(([field, { text }]) => [field, text || '?']));
    return t(`trial.name-${c.kind}`, { ...told, count: c.plantings.length });
  };
  const run = () => {
    const read = changes.map((c) => entryOf(c, nameOf(c), language));
    const wrong = read.flatMap((r, i) => r.unreadable.map((field) => `trials[${i}].${field}`));
    if (wrong.length > 0) {
      work.unreadable(wrong);
      return;
    }
    setTried(changes);
    void work.start({ trials: read.map((r) => r.entry) });
  };
  const best = tried
    .map((c) => ({ change: c, result: resultOf(c) }))
    .filter((r) => r.result && r.result.saved > 0)
    .sort((a, b) => b.result!.saved - a.result!.saved)[0];
  const change = (id: string, by: Partial<Change>) => {
    setChanges(changes.map((c) => (c.id === id ? { ...c, ...by } : c)));
  };
  const rows: [string, (r: TrialResult) => React.ReactNode][] = [
    ['trial.difference', (r) => <Difference of={r} now={now} money={money} />],
    ['trial.in-time', (r) => t('trial.of', { count: r.inTime, all: r.tasks })],
    ['trial.days-late', (r) => `${number(r.daysLate, 0)} ${t('unit:day', { count: r.daysLate })}`],
    ['trial.last', (r) => (r.last ? day(r.last) : '–')],
    ['trial.hours', (r) => `${number(r.hours, 0)} h`],
    ['trial.wages', (r) => money(r.wages)],
    ['trial.lateness', (r) => money(r.beside.late)],
    ['trial.beside', (r) => money(r.beside.overtime + r.beside.moves + r.beside.idle)],
    ['trial.cost', (r) => money(r.cost)],
    ['trial.margin', (r) => money(r.marginLost)],
    [
      'trial.total',
      (r) => (
        <strong>
          <Why steps={r.steps}>{money(r.total)}</Why>
        </strong>
      ),
    ],
  ];
  return (
    <>
      <header className="crew-plan-head">
        <h1 data-test="trial-sum">
          {best
            ? t('trial.best', { what: nameOf(best.change), money: money(best.result!.saved) })
            : now && tried.length + 1 === results.length
              ? t('trial.none-better')
              : t('trial.title')}
        </h1>
        <p className="dim">{t('trial.about')}</p>
      </header>
      <div className="trial-acts">
        {kinds.map((kind) => (
          <Button
            key={kind}
            disabled={changes.length >= MOST}
            onClick={() => {
              setChanges([...changes, changeOf(kind)]);
            }}
          >
            + {t(`trial.kind-${kind}`)}
          </Button>
        ))}
        <span className="trial-run">
          {work.isRunning ? (
            <>
              <progress value={work.step?.share ?? 0} max={1} aria-label={t('trial.try')} />{' '}
              {work.step?.ahead ? t('crew-plan.waiting', { count: work.step.ahead }) : null}{' '}
              <Button onClick={work.stop}>{t('trial.stop')}</Button>
            </>
          ) : (
            <Button type="primary" onClick={run} disabled={changes.length === 0}>
              {t('trial.try')}
            </Button>
          )}
        </span>
      </div>
      {(work.failure ?? work.problemLike(/^trials(\[\d+\]\.name)?$/)) && (
        <p className="field-problem" role="alert">
          {work.failure ?? work.problemLike(/^trials(\[\d+\]\.name)?$/)}
        </p>
      )}
      <div className="trial-table">
        <table>
          <thead>
            <tr>
              <td />
              <th scope="col">{t('trial.now')}</th>
              {changes.map((c, i) => (
                <th scope="col" key={c.id} data-test={`trial-${c.kind}`}>
                  <ChangeForm
                    plan={plan}
                    change={c}
                    name={nameOf(c)}
                    problem={(field) => work.problem(`trials[${i}].${field}`)}
                    onChange={(by) => {
                      change(c.id, by);
                    }}
                    onEnter={run}
                    onRemove={() => {
                      setChanges(changes.filter((o) => o.id !== c.id));
                    }}
                  />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([label, cell]) => (
              <tr key={label}>
                <th scope="row">{t(label)}</th>
                <td>{now && cell(now)}</td>
                {changes.map((c) => {
                  const result = resultOf(c);
                  return <td key={c.id}>{result && cell(result)}</td>;
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="dim small">{t('trial.note')}</p>
    </>
  );
}

/** What a change saves or costs against the work as it is, all told. */
function Difference({ of, now, money }: { of: TrialResult; now?: TrialResult; money: (value: number) => string }) {
  const { t } = useReading();
  if (!now || of === now) return <span className="dim">–</span>;
  const { saved } = of;
  return (
    <strong className={saved >= 0 ? 'trial-saves' : 'trial-costs'}>
      {t(saved >= 0 ? 'trial.saves' : 'trial.costs', { money: money(Math.abs(saved)) })}
    </strong>
  );
}

function ChangeForm({
  plan,
  change,
  name,
  problem,
  onChange,
  onEnter,
  onRemove,
}: {
  plan: CrewPlanView;
  change: Change;
  name: string;
  problem: (field: string) => string | undefined;
  onChange: (by: Partial<Change>) => void;
  onEnter: () => void;
  onRemove: () => void;
}) {
  const { t } = useReading();
  const money = plan.currency ?? t('choice.money');
  const units: Record<string, string[]> = { hireWage: [`${money}/h`], cost: [money], hireWeeks: [], lostWeeks: [] };
  const form = fieldControls(
    `trial.${change.kind}`,
    change.draft,
    (draft) => {
      onChange({ draft });
    },
    problem,
    t,
    onEnter,
  );
  const field = (path: string) =>
    path.endsWith('From') ? (
      <div className="field" key={path} data-field={`trial.${change.kind}.${path}`}>
        <label htmlFor={`${change.id}${path}`}>{t('trial.from')}</label>
        <input
          id={`${change.id}${path}`}
          type="date"
          className="crew-date"
          min={plan.today}
          value={change.draft[path]?.text ?? ''}
          onChange={(e) => {
            onChange({ draft: { ...change.draft, [path]: { text: e.target.value } } });
          }}
        />
        {problem(path) && (
          <p className="field-problem" role="alert">
            {problem(path)}
          </p>
        )}
      </div>
    ) : (
      form.input(path, units[path] ?? [], { label: t(`trial.${path}`) })
    );
  return (
    <div className="trial-change">
      <p className="trial-name">
        {name}{' '}
        <Button size="small" type="text" aria-label={t('trial.remove', { what: name })} onClick={onRemove}>
          ×
        </Button>
      </p>
      <div className="trial-fields">{fieldsOf(change).slice(0, 2).map(field)}</div>
      {fieldsOf(change).length > 2 && (
        <details
          open={fieldsOf(change)
            .slice(2)
            .some((f) => problem(f))}
        >
          <summary>{t('trial.more')}</summary>
          <div className="trial-fields">{fieldsOf(change).slice(2).map(field)}</div>
        </details>
      )}
      {problem('onePass') && (
        <p className="field-problem" role="alert">
          {problem('onePass')}
        </p>
      )}
      {change.kind === 'structure' && (
        <div className="field">
          <label>{t('trial.plantings')}</label>
          <Select
            mode="multiple"
            aria-label={t('trial.plantings')}
            style={{ width: '100%' }}
            optionFilterProp="label"
            options={winterPlantings(plan)}
            value={change.plantings}
            onChange={(plantings) => {
              onChange({ plantings });
            }}
          />
          {problem('structureOnly') && (
            <p className="field-problem" role="alert">
              {problem('structureOnly')}
            </p>
          )}
        </div>
      )}
    </div>
  );
}

/** Plantings with a surplus to cut that is still to be done. */
function winterPlantings(plan: CrewPlanView) {
  const found = new Map(
    plan.tasks.filter((w) => w.isWinter).map((w) => [w.planting, { value: w.planting, label: `${w.code} ${w.name}` }]),
  );
  return [...found.values()].sort((a, b) => a.label.localeCompare(b.label, undefined, { numeric: true }));
}
