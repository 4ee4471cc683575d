import { NavLink } from 'react-router';
import { useMay } from '../../people/session';
import '../../words/crew';
import { useReading } from '../../words/useReading';

/** The pages of the crews. */
export function CrewTabs() {
  const { t } = useReading();
  const may = useMay();
  return (
    <nav className="page-tabs" aria-label={t('place.crew')}>
      <NavLink to="/crew" end>
        {t('crew-plan.title')}
      </NavLink>
      {may('plan') && <NavLink to="/crew/what-if">{t('trial.title')}</NavLink>}
      {may('plan') && <NavLink to="/crew/depth">{t('depth.title')}</NavLink>}
      {may('plan') && <NavLink to="/crew/costs">{t('cost.title')}</NavLink>}
      <NavLink to="/crew/list">{t('list.title')}</NavLink>
      {may('practice') && <NavLink to="/crew/checks">{t('hands.title')}</NavLink>}
      <NavLink to="/practice">{t('place.practice')}</NavLink>
      <NavLink to="/crew/people">{t('crew-plan.people')}</NavLink>
    </nav>
  );
}
