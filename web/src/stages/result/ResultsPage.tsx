import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useSearchParams } from 'react-router';
import { answered, api, type ResultsView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import '../../words/result';
import { useReading } from '../../words/useReading';
import { Wide } from '../../look/Wide';
import './result.css';
import { CropsToCome } from './CropsToCome';
import { SeasonKeys } from './SeasonKeys';

/** What came of a season over the estate: tonnes first, then the step that cost most, then the plantings. */
export function ResultsPage() {
  const { t } = useReading();
  const may = useMay();
  const [search, setSearch] = useSearchParams();
  const season = Number(search.get('of')) || undefined;
  const results = useQuery({
    queryKey: ['results', season],
    queryFn: () => answered(api.GET('/api/v1/results', { params: { query: season === undefined ? {} : { season } } })),
  });
  useEffect(() => {
    document.title = `${t('results.page')} · Rama`;
  }, [t]);
  if (results.error) return <Trouble error={results.error} retry={() => void results.refetch()} />;
  return (
    <main className="page">
      <div className="stage-head">
        <h1>{t('results.page')}</h1>
        <span className="results-pages">
          <Link to="/results/learned">{t('learning.link')}</Link>
          {may('plan') && <Link to="/results/seasons">{t('seasons.link')}</Link>}
          {may('plan') && <Link to="/results/winter">{t('winter.link')}</Link>}
        </span>
      </div>
      <CropsToCome />
      <div className="stage-head">
        <h2>{t('results.title')}</h2>
        {results.data && (
          <SeasonKeys
            seasons={results.data.seasons.map(String)}
            season={String(results.data.season)}
            onSeason={(of) => {
              setSearch((now) => {
                now.set('of', of);
                return now;
              });
            }}
          />
        )}
      </div>
      {!results.data ? (
        <p className="waiting">{t('loading')}</p>
      ) : results.data.seasons.length === 0 ? (
        <p className="sheet">{t('results.none')}</p>
      ) : (
        <Results view={results.data} />
      )}
    </main>
  );
}

function Results({ view }: { view: ResultsView }) {
  const { t, told, number, say } = useReading();
  return (
    <>
      {view.wantedT > 0 && (
        <p data-test="results-packed">
          <span className="result-big">{told(view.cameT, 't', 0)}</span>{' '}
          {t('results.packed', { wanted: told(view.wantedT, 't', 0) })}
        </p>
      )}
      {view.links.length > 0 && (
        <section>
          <h3>{t('results.links')}</h3>
          <Wide>
            <table className="figures results-links" data-test="results-links">
              <thead>
                <tr>
                  <th>{t('results.link')}</th>
                  <th className="number">{t('results.tonnes')}</th>
                  <th>{t('results.most')}</th>
                </tr>
              </thead>
              <tbody>
                {view.links.map((link) => (
                  <tr key={link.name}>
                    <td>{link.kinds.map((k) => t(`link.${k}`)).join(' + ')}</td>
                    <td className={link.tonnes < 0 ? 'number results-short' : 'number'}>
                      <Signed tonnes={link.tonnes} />
                    </td>
                    <td>{t('results.of', { most: number(link.madeMost), plantings: number(link.plantings) })}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Wide>
        </section>
      )}
      {view.backTests.map((test) => (
        <p key={test.quantity} className={test.refused ? 'results-short' : undefined} data-test="back-test">
          <strong>{t(`learned.of.${test.quantity}`)}.</strong> <Why steps={test.steps}>{say(test.sentence)}</Why>
        </p>
      ))}
      <Plantings view={view} />
    </>
  );
}

// Less is told as nothing, tonnes.
const SMALLEST = 0.05;

function Signed({ tonnes }: { tonnes: number }) {
  const { told } = useReading();
  return (
    <>
      {Math.abs(tonnes) < SMALLEST ? '' : tonnes > 0 ? '+' : '−'}
      {told(Math.abs(tonnes), 't', 1)}
    </>
  );
}

function Plantings({ view }: { view: ResultsView }) {
  const { t, told, say } = useReading();
  return (
    <section>
      <h3>{t('results.by-planting')}</h3>
      <table className="figures results-plantings" data-test="results">
        <thead>
          <tr>
            <th>{t('results.planting')}</th>
            <th className="number">{t('results.came')}</th>
            <th className="number">{t('results.wanted')}</th>
            <th>{t('results.sentence')}</th>
          </tr>
        </thead>
        <tbody>
          {view.lines.map((line) => (
            <tr key={line.planting}>
              <td>
                <Link to={`/plantings/${line.planting}/result`}>
                  <strong>{line.code}</strong> {line.name}
                </Link>{' '}
                <span className="dim">{line.variety}</span>
              </td>
              <td className="number">{line.cameT === null ? '–' : told(line.cameT, 't', 1)}</td>
              <td className="number">{line.wantedT === null ? '–' : told(line.wantedT, 't', 1)}</td>
              <td>{line.sentence ? say(line.sentence) : <span className="dim">{t('results.no-chain')}</span>}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
