import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { SeasonLine, SeasonView } from '../../api/client';
import { useMay } from '../../people/session';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { Wide } from '../../look/Wide';
import { nextSteps, type NextStep } from './nextSteps';
import { Pending } from './Pending';
import './season.css';
import { useSeason } from './useSeason';

/** What is known of each planting, what is still missing for its card, and the next thing to do. */
export function KnownPage() {
  const { t } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = `${t('known.title')} · Rama`;
  }, [t]);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  return <Known season={season.data} />;
}

function Known({ season }: { season: SeasonView }) {
  const { t } = useReading();
  const [only, setOnly] = useState<NextStep['key'] | null>(null);
  const steps = nextSteps(season.plantings);
  const shown = only === null ? season.plantings : (steps.find((s) => s.key === only)?.lines ?? []);
  return (
    <main className="page known">
      <h1>
        {season.plantings.every((l) => l.isPending)
          ? t('known.title')
          : t('season.title', { settled: season.readyForCards, count: season.plantings.length })}
      </h1>
      <p className="dim">{t('known.text')}</p>
      <Pending pending={season.pending} />
      <ol className="known-steps" data-test="next-steps">
        {steps.map((step, i) => (
          <Step
            key={step.key}
            step={step}
            isFirst={i === 0}
            isOpen={only === step.key}
            onOpen={() => {
              setOnly(only === step.key ? null : step.key);
            }}
          />
        ))}
      </ol>
      <Wide>
        <table className="figures compact known-table" data-test="known">
          <thead>
            <tr>
              <th>{t('season.planting')}</th>
              <th className="number">{t('known.rows')}</th>
              <th className="number">{t('known.seasons')}</th>
              <th>{t('known.target')}</th>
              <th className="number">{t('known.counted')}</th>
              <th className="number">{t('known.girths')}</th>
              <th>{t('known.next')}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((line) => (
              <Line key={line.id} line={line} />
            ))}
          </tbody>
        </table>
      </Wide>
    </main>
  );
}

function Step({
  step,
  isFirst,
  isOpen,
  onOpen,
}: {
  step: NextStep;
  isFirst: boolean;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const { t } = useReading();
  const may = useMay();
  const count = step.lines.length;
  return (
    <li className={isFirst ? 'known-first' : undefined}>
      <strong className="known-count">{count}</strong> {t(`known.step.${step.key}`, { count })}{' '}
      {may(step.act) && (
        <Link to={step.to} data-test={`do-${step.key}`}>
          {t(`known.do.${step.key}`)}
        </Link>
      )}{' '}
      <button type="button" className="text-button" aria-pressed={isOpen} onClick={onOpen}>
        {t(isOpen ? 'known.all' : 'known.which')}
      </button>
    </li>
  );
}

function Line({ line }: { line: SeasonLine }) {
  const { t, number } = useReading();
  const { known } = line;
  const count = (value: number) =>
    value === 0 ? (
      <span className="known-none" title={t('known.none')}>
        –
      </span>
    ) : (
      number(value, 0)
    );
  const todo = line.isInTraining ? 'season.todo-training' : `season.todo-${line.stage}`;
  return (
    <tr>
      <th scope="row">
        <Link to={`/plantings/${line.id}/estate`}>{titleOf(line)}</Link>{' '}
        <span className="small dim">
          {line.variety} / {line.rootstock}
        </span>
      </th>
      <td className="number">{count(known.rows)}</td>
      <td className="number">{count(known.seasons)}</td>
      <td>
        {known.lacks === null ? (
          t('known.set')
        ) : (
          <span className="known-none">
            {known.lacks === 'yield' ? '–' : t('known.lacks', { field: t(`field.${known.lacks}`).toLowerCase() })}
          </span>
        )}
      </td>
      <td className="number">{count(line.treesCounted)}</td>
      <td className="number">{count(known.girths)}</td>
      <td>
        {line.isPending ? (
          <span className="dim">{t('season.pending-line')}</span>
        ) : (
          <Link to={`/plantings/${line.id}/${line.stage}`}>{t(todo)}</Link>
        )}
      </td>
    </tr>
  );
}
