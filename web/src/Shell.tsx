import { Suspense } from 'react';
import { Link, NavLink, Outlet, useLocation, useSearchParams } from 'react-router';
import { Choice } from './entry/Choice';
import { ShellKeys } from './keys/ShellKeys';
import { AccountMenu } from './people/AccountMenu';
import { HowYouRead } from './people/HowYouRead';
import { goToEstate, useMay, useSession } from './people/session';
import { useSeason } from './stages/season/useSeason';
import { useReading } from './words/useReading';

/** The frame of every page: whose estate, which winter, where to go, and who is at work. */
export function Shell() {
  const { t } = useReading();
  const may = useMay();
  const { search, pathname } = useLocation();
  return (
    <>
      <header className="shell" data-at={pathname}>
        <Link to={`/${search}`} className="shell-name">
          Rama
        </Link>
        <span className="shell-estate">
          <EstateName />
          <SeasonName />
        </span>
        <nav className="shell-places" aria-label={t('places')}>
          <NavLink to={`/${search}`} end>
            {t('place.season')}
          </NavLink>
          <NavLink to={`/map${search}`}>{t('place.map')}</NavLink>
          {may('count') && <NavLink to="/field">{t('place.field')}</NavLink>}
          {may('practice') ? (
            <NavLink to="/crew">{t('place.crew')}</NavLink>
          ) : (
            <NavLink to="/practice">{t('place.practice')}</NavLink>
          )}
          <NavLink to="/results">{t('place.results')}</NavLink>
          <NavLink to="/catalogue">{t('place.catalogue')}</NavLink>
          {may('export') && <NavLink to="/exchange">{t('place.exchange')}</NavLink>}
          {may('season') && <NavLink to="/estate">{t('estate')}</NavLink>}
          {may('people') && <NavLink to="/people">{t('place.people')}</NavLink>}
        </nav>
        <AccountMenu />
      </header>
      <HowYouRead />
      <ShellKeys />
      <Suspense fallback={<p className="waiting">{t('loading')}</p>}>
        <Outlet />
      </Suspense>
    </>
  );
}

function EstateName() {
  const { t } = useReading();
  const { data } = useSession();
  if (!data) return null;
  if (data.estates.length < 2) return <strong>{data.estates[0]?.name}</strong>;
  return (
    <Choice
      label={t('estate')}
      value={data.here?.estateId ?? ''}
      onChange={(id) => void goToEstate(id)}
      options={data.estates.map((e) => ({ value: e.id, label: e.name }))}
    />
  );
}

function SeasonName() {
  const { t } = useReading();
  const season = useSeason();
  const [, setSearch] = useSearchParams();
  if (!season.data) return null;
  const name = (year: number) => t('winter', { from: year - 1, to: String(year).slice(2) });
  const { seasons } = season.data;
  if (seasons.length < 2) return <> · {name(season.data.season)}</>;
  return (
    <>
      {' '}
      ·{' '}
      <Choice
        label={t('season')}
        value={String(season.data.season)}
        options={seasons.map((s) => ({ value: String(s), label: name(s) }))}
        onChange={(next) => {
          setSearch(Number(next) === seasons[0] ? {} : { season: next });
        }}
      />
    </>
  );
}
