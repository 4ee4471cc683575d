import { useQuery } from '@tanstack/react-query';
import { Fragment, useEffect } from 'react';
import { Link } from 'react-router';
import { answered, api, type EstateLearningView, type LearnedLine, type LearnedWorkView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import '../../words/crew';
import '../../words/result';
import { useReading } from '../../words/useReading';
import { Pace } from '../crew/Pace';
import { decimalsOf, quantities, standingOf, type LearnedQuantity } from './learningDraft';
import { useLearnedWork } from './useLearning';
import './result.css';

/** What the estate learned: each number with its back-test and its plantings, then what its work taught. */
export function LearningPage() {
  const { t } = useReading();
  const may = useMay();
  const learning = useQuery({
    queryKey: ['learning'],
    queryFn: () => answered(api.GET('/api/v1/learning')),
  });
  useEffect(() => {
    document.title = `${t('learning.title')} · Rama`;
  }, [t]);
  if (learning.error) return <Trouble error={learning.error} retry={() => void learning.refetch()} />;
  return (
    <main className="page">
      <h1>{t('learning.title')}</h1>
      <p className="dim">{t('learning.text')}</p>
      {!learning.data ? (
        <p className="waiting">{t('loading')}</p>
      ) : learning.data.plantings.length === 0 ? (
        <p className="sheet">{t('learning.none')}</p>
      ) : (
        (Object.keys(quantities) as LearnedQuantity[])
          .filter((q) => q !== 'hours')
          .map((q) => <Quantity key={q} of={q} view={learning.data} />)
      )}
      {may('practice') && <Work />}
    </main>
  );
}

function Quantity({ of, view }: { of: LearnedQuantity; view: EstateLearningView }) {
  const { t, say, amount, unitName } = useReading();
  const test = view.tests.find((b) => b.quantity === of);
  const taught = view.plantings
    .map((planting) => ({ planting, line: planting.lines.find((l) => l.quantity === of)! }))
    .filter(({ line }) => line.value !== null || line.choice !== null);
  if (taught.length === 0) return null;
  return (
    <section data-test={`learning-${of}`}>
      <h2>{t(`learned.of.${of}`)}</h2>
      <p className="dim">
        {t(`learned.what.${of}`)} {t('learning.in', { unit: unitName(amount(0, taught[0]!.line.unit).unit) })}
      </p>
      {test && (
        <p className={test.refused ? 'results-short' : undefined} data-test="back-test">
          <Why steps={test.steps}>{say(test.sentence)}</Why>
        </p>
      )}
      <table className="figures learning-table">
        <thead>
          <tr>
            <th>{t('results.planting')}</th>
            <th className="number">{t('learning.held')}</th>
            <th className="number">{t('learning.learned')}</th>
            <th className="number">{t('learning.shipped')}</th>
            <th className="number">{t('learning.seasons')}</th>
            <th>{t('learning.standing')}</th>
          </tr>
        </thead>
        <tbody>
          {alike(taught).map(({ plantings, line, seasons }) => (
            <tr key={plantings[0]!.planting}>
              <td>
                {plantings.map((planting) => (
                  <Fragment key={planting.planting}>
                    <Link to={`/plantings/${planting.planting}/result`}>
                      <strong>{planting.code}</strong> {plantings.length === 1 && planting.name}
                    </Link>{' '}
                  </Fragment>
                ))}
                {plantings.length === 1 && <span className="dim">{plantings[0]!.variety}</span>}
              </td>
              <Values line={line} />
              <td className="number">{seasons}</td>
              <td>
                {t(standingOf(line))}
                {line.choice && <span className="dim"> {line.choice.reason}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface Taught {
  planting: EstateLearningView['plantings'][number];
  line: LearnedLine;
}

// What is learned of all plantings together is told once, with those it holds for.
function alike(taught: Taught[]) {
  const rows = new Map<string, { plantings: Taught['planting'][]; line: LearnedLine; seasons: number[] }>();
  for (const { planting, line } of taught) {
    const { value, choice } = line;
    const told = choice ? planting.planting : [value!.learned, value!.low, value!.high, line.held, line.shipped].join();
    const row = rows.get(told) ?? { plantings: [], line, seasons: [] };
    row.plantings.push(planting);
    row.seasons.push(value?.seasons ?? 0);
    rows.set(told, row);
  }
  return [...rows.values()].map(({ seasons, ...row }) => {
    const [fewest, most] = [Math.min(...seasons), Math.max(...seasons)];
    return { ...row, seasons: fewest === most ? `${most || '–'}` : `${fewest}–${most}` };
  });
}

function Values({ line }: { line: LearnedLine }) {
  const { amount } = useReading();
  const { value, unit } = line;
  const amountOf = (of: number) => amount(of, unit, decimalsOf(unit)).number;
  return (
    <>
      <td className="number">
        <strong>{amountOf(line.held)}</strong>
      </td>
      <td className="number">
        {value ? (
          <Why steps={value.steps}>
            {amountOf(value.learned)}{' '}
            <span className="dim">
              ({amountOf(value.low)} – {amountOf(value.high)})
            </span>
          </Why>
        ) : (
          '–'
        )}
      </td>
      <td className="number">{line.shipped === 0 ? '–' : amountOf(line.shipped)}</td>
    </>
  );
}

function Work() {
  const { t } = useReading();
  const work = useLearnedWork();
  if (!work.data) return null;
  return <Taught of={work.data} title={t('learning.work', { season: work.data.season })} />;
}

function Taught({ of, title }: { of: LearnedWorkView; title: string }) {
  const { t } = useReading();
  return (
    <section data-test="learning-work">
      <h2>{title}</h2>
      {of.logs === 0 && of.miss.counts === 0 ? <p className="sheet">{t('learning.no-work')}</p> : <Hands of={of} />}
    </section>
  );
}

function Hands({ of }: { of: LearnedWorkView }) {
  const { t, told, number, say } = useReading();
  const miss = (spread: LearnedWorkView['miss'] | null) =>
    spread === null ? '–' : `${told(spread.sd, 'share', 0)} (${t('learning.trees', { count: spread.counts })})`;
  const groups = [
    ['plantings', of.plantings],
    ['crews', of.crews.filter((c) => c.minutes !== null || c.miss !== null)],
    ['pruners', of.pruners],
  ] as const;
  return (
    <>
      <p>
        {t('learning.miss', {
          miss: told(of.miss.sd, 'share', 0),
          count: of.miss.counts,
          usual: told(of.usualMiss, 'share', 0),
        })}{' '}
        {of.miss.counts > 0 && t('learning.miss-use')}
      </p>
      <p>{t('learning.logs', { count: of.logs, sets: number(of.logs) })}</p>
      {of.hoursTest && (
        <p className={of.hoursTest.refused ? 'results-short' : undefined} data-test="hours-test">
          <Why steps={of.hoursTest.steps}>{say(of.hoursTest.sentence)}</Why>
        </p>
      )}
      <table className="figures learning-table">
        <thead>
          <tr>
            <th>{t('learning.who')}</th>
            <th className="number">{t('learning.pace')}</th>
            <th className="number">{t('learning.misses')}</th>
          </tr>
        </thead>
        {groups.map(([name, hands]) =>
          hands.length === 0 ? null : (
            <tbody key={name}>
              <tr>
                <th colSpan={3} scope="rowgroup">
                  {t(`learning.group.${name}`)}
                </th>
              </tr>
              {hands.map((hand) => (
                <tr key={hand.id}>
                  <td>{hand.name}</td>
                  <td className="number">
                    {/* What its hours are told with; from crew to crew only the pace counts. */}
                    {hand.hours && (
                      <span title={t(`learned.standing-hours.${hand.hours.standing}`)}>
                        {t('learning.factor', { factor: number(hand.hours.factor, 2) })}
                        {hand.hours.standing === 'used' ? '' : ` (${t(`learning.hours.${hand.hours.standing}`)})`}{' '}
                      </span>
                    )}
                    {hand.minutes === null ? '–' : <Pace of={hand.minutes} />}
                  </td>
                  <td className="number">{miss(hand.miss)}</td>
                </tr>
              ))}
            </tbody>
          ),
        )}
      </table>
    </>
  );
}
