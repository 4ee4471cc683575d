import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { answered, api, type EstateLearningView, type LearnedLine, type LearnedWorkView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import '../../words/crew';
import '../../words/result';
import { useReading } from '../../words/useReading';
import { Pace } from '../crew/Pace';
import { quantities, type LearnedQuantity } from './learningDraft';
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
        (Object.keys(quantities) as LearnedQuantity[]).map((q) => <Quantity key={q} of={q} view={learning.data} />)
      )}
      {may('practice') && <Work />}
    </main>
  );
}

function Quantity({ of, view }: { of: LearnedQuantity; view: EstateLearningView }) {
  const { t, say } = useReading();
  const test = view.tests.find((b) => b.quantity === of);
  const taught = view.plantings
    .map((planting) => ({ planting, line: planting.lines.find((l) => l.quantity === of)! }))
    .filter(({ line }) => line.value !== null || line.choice !== null);
  if (taught.length === 0) return null;
  return (
    <section data-test={`learning-${of}`}>
      <h2>{t(`learned.of.${of}`)}</h2>
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
          {taught.map(({ planting, line }) => (
            <tr key={planting.planting}>
              <td>
                <Link to={`/plantings/${planting.planting}/result`}>
                  <strong>{planting.code}</strong> {planting.name}
                </Link>{' '}
                <span className="dim">{planting.variety}</span>
              </td>
              <Values line={line} />
              <td>
                {t(`learned.standing.${line.standing}`)}
                {line.choice && <span className="dim"> {line.choice.reason}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Values({ line }: { line: LearnedLine }) {
  const { told, amount } = useReading();
  const { value, unit } = line;
  const decimals = unit === 'share' ? 0 : 1;
  const say = (of: number) => told(of, unit, decimals);
  const amountOf = (of: number) => amount(of, unit, decimals).number;
  return (
    <>
      <td className="number">
        <strong>{say(line.held)}</strong>
      </td>
      <td className="number">
        {value ? (
          <Why steps={value.steps}>
            {say(value.learned)}{' '}
            <span className="dim">
              ({amountOf(value.low)} – {amountOf(value.high)})
            </span>
          </Why>
        ) : (
          '–'
        )}
      </td>
      <td className="number">{line.shipped === 0 ? '–' : say(line.shipped)}</td>
      <td className="number">{value?.seasons ?? '–'}</td>
    </>
  );
}

function Work() {
  const { t } = useReading();
  const work = useQuery({
    queryKey: ['learning', 'work'],
    queryFn: () => answered(api.GET('/api/v1/learning/work')),
  });
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
  const { t, told, number } = useReading();
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
                    {hand.minutes === null ? (
                      '–'
                    ) : (
                      <>
                        {/* What its hours are told with; from crew to crew only the pace counts. */}
                        {name === 'plantings' && t('learning.factor', { factor: number(hand.minutes.factor, 2) })}{' '}
                        <Pace of={hand.minutes} />
                      </>
                    )}
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
