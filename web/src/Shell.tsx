import { Suspense } from 'react';
import { Link, Outlet } from 'react-router';
import { useSeason } from './stages/season/useSeason';
import { Choice } from './entry/Field';
import { useReading } from './words/useReading';

/** The frame of every page: whose estate, which winter, and how the reader wants words and units. */
export function Shell() {
  const { t, language, setLanguage, system, chooseSystem } = useReading();
  const season = useSeason();
  return (
    <>
      <header className="shell">
        <Link to="/" className="shell-name">Rama</Link>
        <span className="shell-estate">
          {season.data && <><strong>{season.data.estate}</strong> · {t('winter', { from: season.data.season - 1, to: String(season.data.season).slice(2) })}</>}
        </span>
        <Choice label={t('units')} value={system} onChange={(v) => { chooseSystem(v === 'us' ? 'us' : 'metric'); }}
          options={[{ value: 'metric', label: t('units.metric') }, { value: 'us', label: t('units.us') }]} />
        <Choice label={t('language')} value={language} onChange={(v) => { setLanguage(v === 'es' ? 'es' : 'en'); }}
          options={[{ value: 'en', label: 'English' }, { value: 'es', label: 'Español' }]} />
      </header>
      <Suspense fallback={<p className="waiting">{t('loading')}</p>}><Outlet /></Suspense>
    </>
  );
}
