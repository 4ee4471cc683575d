import { NavLink } from 'react-router';
import '../../words/crew';
import { useReading } from '../../words/useReading';

/** The two pages of the crews. */
export function CrewTabs() {
  const { t } = useReading();
  return (
    <nav className="page-tabs" aria-label={t('place.crew')}>
      <NavLink to="/crew" end>
        {t('crew-plan.title')}
      </NavLink>
      <NavLink to="/crew/people">{t('crew-plan.people')}</NavLink>
    </nav>
  );
}
