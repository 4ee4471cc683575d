import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import '../../words/count';
import { useReading } from '../../words/useReading';
import { Route, RouteSum, RouteTools } from './Route';
import { useRoute } from './useRoute';

/** The walk to the trees that are to be counted, to print or to look at, with room to write. */
export function RoutePage() {
  const { id } = useParams();
  const { t } = useReading();
  const { view, plan, error, retry } = useRoute(id!);
  useEffect(() => {
    document.title = view ? `${view.planting.code} · ${t('route.title')} · Rama` : 'Rama';
  }, [view, t]);
  if (error) return <Trouble error={error} retry={retry} />;
  if (!view || !plan) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="route">
      <div className="route-head">
        <div>
          <h1>
            {titleOf(view.planting)}: {t('route.title')}
          </h1>
          <RouteSum plan={plan} />
        </div>
        <RouteTools back={<Link to={`/plantings/${id}/count`}>{t('sheet-page.to-count')}</Link>} isReady />
      </div>
      <Route view={view} plan={plan} />
    </main>
  );
}
