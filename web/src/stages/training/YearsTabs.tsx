import { Link } from 'react-router';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

const pages = ['training', 'sides', 'renewal', 'rework', 'taking-out'] as const;

/** The pages of a planting's years; sides in turn only where its system has them. */
export function YearsTabs({ at }: { at: (typeof pages)[number] }) {
  const { t } = useReading();
  const { view, plan } = usePlantingWork();
  return (
    <nav className="page-tabs" aria-label={t('years.pages')}>
      {pages
        .filter((page) => page !== 'sides' || plan.planting?.system.sides)
        .map((page) => (
          <Link
            key={page}
            to={`/plantings/${view.id}/${page}`}
            className={page === at ? 'active' : undefined}
            aria-current={page === at ? 'page' : undefined}
          >
            {t(`${page}.title`)}
          </Link>
        ))}
    </nav>
  );
}
