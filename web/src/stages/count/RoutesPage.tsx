import { useQueries } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import type { SeasonView } from '../../api/client';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import '../../words/count';
import { useReading } from '../../words/useReading';
import { useSeason } from '../season/useSeason';
import { Route, RouteSum, RouteTools } from './Route';
import { plantingOf, routeOf } from './useRoute';

/** The walks of several plantings in the order of the work, to print together: of those chosen, or to be counted. */
export function RoutesPage() {
  const { t } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = `${t('routes.title')} · Rama`;
  }, [t]);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  return <Routes season={season.data} />;
}

function Routes({ season }: { season: SeasonView }) {
  const { t, number } = useReading();
  const chosen = (useLocation().state as { chosen?: string[] } | null)?.chosen;
  const lines = season.plantings.filter((l) => (chosen ? chosen.includes(l.id) : l.stage === 'count'));
  const plantings = useQueries({ queries: lines.map((l) => plantingOf(l.id)) });
  const plans = useQueries({ queries: lines.map((l, i) => routeOf(l.id, plantings[i]!.data)) });
  const error = [...plantings, ...plans].find((q) => q.error)?.error;
  if (error)
    return (
      <Trouble
        error={error}
        retry={() => {
          for (const query of [...plantings, ...plans]) if (query.error) void query.refetch();
        }}
      />
    );
  const walks = lines.flatMap((line, i) => {
    const [view, plan] = [plantings[i]!.data, plans[i]!.data];
    return view && plan ? { line, view, plan } : [];
  });
  const isReady = walks.length === lines.length;
  return (
    <main className="route routes">
      <div className="route-head">
        <div>
          <h1>{t('routes.of', { count: lines.length })}</h1>
          {isReady ? (
            <p data-test="routes-sum">
              <span className="big">{number(walks.reduce((sum, w) => sum + w.plan.trees, 0))}</span>{' '}
              <span className="unit">{t('field.trees')}</span>
            </p>
          ) : (
            <p>
              <progress value={walks.length} max={lines.length} aria-label={t('routes.title')} />
            </p>
          )}
        </div>
        <RouteTools back={<Link to="/">{t('place.season')}</Link>} isReady={isReady && lines.length > 0} />
      </div>
      {lines.length === 0 && <p className="small dim">{t('routes.none')}</p>}
      {walks.map(({ line, view, plan }) => (
        <section key={line.id} className="routes-one">
          <h2>
            <Link to={`/plantings/${line.id}/route`}>{titleOf(line)}</Link>
          </h2>
          <RouteSum plan={plan} />
          <Route view={view} plan={plan} />
        </section>
      ))}
    </main>
  );
}
