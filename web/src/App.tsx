import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useMemo, useState, type ReactNode } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router';
import { api, answered, type Act, type SessionView } from './api/client';
import { Only } from './people/Only';
import { ASK_SIGN_IN, inField, sessionKey, useSession } from './people/session';
import { NoEstatePage } from './people/NoEstatePage';
import { SignInPage } from './people/SignInPage';
import { BrokenRoute } from './Broken';
import { Shell } from './Shell';
import { SeasonPage } from './stages/season/SeasonPage';
import type { UnitSystem } from './units/system';
import { Trouble } from './Trouble';
import { localeOf } from './units/format';
import i18n, { speak } from './words/i18n';
import { ReadingContext } from './words/useReading';

const PlantingPage = lazy(() => import('./planting/PlantingPage').then((m) => ({ default: m.PlantingPage })));
const CrewPlanPage = lazy(() => import('./stages/crew/CrewPlanPage').then((m) => ({ default: m.CrewPlanPage })));
const PlantingWords = lazy(() => import('./planting/PlantingWords').then((m) => ({ default: m.PlantingWords })));
const NewPlantingPage = lazy(() =>
  import('./stages/estate/NewPlantingPage').then((m) => ({ default: m.NewPlantingPage })),
);
const EstateStage = lazy(() => import('./stages/estate/EstateStage').then((m) => ({ default: m.EstateStage })));
const TargetStage = lazy(() => import('./stages/target/TargetStage').then((m) => ({ default: m.TargetStage })));
const RulePage = lazy(() => import('./stages/target/RulePage').then((m) => ({ default: m.RulePage })));
const CountStage = lazy(() => import('./stages/count/CountStage').then((m) => ({ default: m.CountStage })));
const DecideStage = lazy(() => import('./stages/decide/DecideStage').then((m) => ({ default: m.DecideStage })));
const PrescribeStage = lazy(() =>
  import('./stages/prescribe/PrescribeStage').then((m) => ({ default: m.PrescribeStage })),
);
const ResultStage = lazy(() => import('./stages/result/ResultStage').then((m) => ({ default: m.ResultStage })));
const PassesStage = lazy(() => import('./stages/passes/PassesStage').then((m) => ({ default: m.PassesStage })));
const TrainingStage = lazy(() => import('./stages/training/TrainingStage').then((m) => ({ default: m.TrainingStage })));
const SidesStage = lazy(() => import('./stages/training/SidesStage').then((m) => ({ default: m.SidesStage })));
const RenewalStage = lazy(() => import('./stages/training/RenewalStage').then((m) => ({ default: m.RenewalStage })));
const ReworkStage = lazy(() => import('./stages/training/ReworkStage').then((m) => ({ default: m.ReworkStage })));
const TakingOutStage = lazy(() =>
  import('./stages/training/TakingOutStage').then((m) => ({ default: m.TakingOutStage })),
);
const TodayPage = lazy(() => import('./stages/crew/field/TodayPage').then((m) => ({ default: m.TodayPage })));
const TrialPage = lazy(() => import('./stages/crew/trial/TrialPage').then((m) => ({ default: m.TrialPage })));
const DepthPage = lazy(() => import('./stages/crew/depth/DepthPage').then((m) => ({ default: m.DepthPage })));
const CostsPage = lazy(() => import('./stages/crew/cost/CostsPage').then((m) => ({ default: m.CostsPage })));
const WorkListPage = lazy(() => import('./stages/crew/WorkListPage').then((m) => ({ default: m.WorkListPage })));
const WorkPage = lazy(() => import('./stages/crew/field/WorkPage').then((m) => ({ default: m.WorkPage })));
const CheckTreePage = lazy(() =>
  import('./stages/check/field/CheckTreePage').then((m) => ({ default: m.CheckTreePage })),
);
const CropPage = lazy(() => import('./stages/result/field/CropPage').then((m) => ({ default: m.CropPage })));
const CheckStage = lazy(() => import('./stages/check/CheckStage').then((m) => ({ default: m.CheckStage })));
const HandsPage = lazy(() => import('./stages/check/HandsPage').then((m) => ({ default: m.HandsPage })));
const ReworkPage = lazy(() => import('./stages/training/field/ReworkPage').then((m) => ({ default: m.ReworkPage })));
const LeaderStage = lazy(() => import('./stages/training/LeaderStage').then((m) => ({ default: m.LeaderStage })));
const TrainingPrintPage = lazy(() =>
  import('./stages/training/TrainingPrintPage').then((m) => ({ default: m.TrainingPrintPage })),
);
const YearPage = lazy(() => import('./stages/passes/YearPage').then((m) => ({ default: m.YearPage })));
const DaysPage = lazy(() => import('./stages/passes/DaysPage').then((m) => ({ default: m.DaysPage })));
const WeatherPage = lazy(() => import('./stages/weather/WeatherPage').then((m) => ({ default: m.WeatherPage })));
const HistoryPage = lazy(() => import('./stages/estate/HistoryPage').then((m) => ({ default: m.HistoryPage })));
const FirstManagerPage = lazy(() => import('./people/FirstManagerPage').then((m) => ({ default: m.FirstManagerPage })));
const EstatePage = lazy(() => import('./stages/season/EstatePage').then((m) => ({ default: m.EstatePage })));
const PeoplePage = lazy(() => import('./people/PeoplePage').then((m) => ({ default: m.PeoplePage })));
const SessionsPage = lazy(() => import('./people/SessionsPage').then((m) => ({ default: m.SessionsPage })));
const JoinPage = lazy(() => import('./people/JoinPage').then((m) => ({ default: m.JoinPage })));
const CrewPage = lazy(() => import('./stages/crew/CrewPage').then((m) => ({ default: m.CrewPage })));
const MapPage = lazy(() => import('./stages/estate/MapPage').then((m) => ({ default: m.MapPage })));
const CataloguePage = lazy(() => import('./stages/estate/CataloguePage').then((m) => ({ default: m.CataloguePage })));
const ChoicePage = lazy(() => import('./stages/training/ChoicePage').then((m) => ({ default: m.ChoicePage })));
const PracticePage = lazy(() =>
  import('./stages/prescribe/practice/PracticePage').then((m) => ({ default: m.PracticePage })),
);
const TreesPage = lazy(() => import('./stages/systems/TreesPage').then((m) => ({ default: m.TreesPage })));
const SystemsPage = lazy(() => import('./stages/systems/SystemsPage').then((m) => ({ default: m.SystemsPage })));
const ExchangePage = lazy(() => import('./exchange/ExchangePage').then((m) => ({ default: m.ExchangePage })));
const KnownPage = lazy(() => import('./stages/season/KnownPage').then((m) => ({ default: m.KnownPage })));
const FieldShell = lazy(() => import('./field/FieldShell').then((m) => ({ default: m.FieldShell })));
const FieldPage = lazy(() => import('./field/FieldPage').then((m) => ({ default: m.FieldPage })));
const NotTakenPage = lazy(() => import('./field/NotTakenPage').then((m) => ({ default: m.NotTakenPage })));
const PassPage = lazy(() => import('./stages/passes/field/PassPage').then((m) => ({ default: m.PassPage })));
const PassCardPage = lazy(() => import('./stages/passes/PassCardPage').then((m) => ({ default: m.PassCardPage })));
const TallyPage = lazy(() => import('./stages/count/field/TallyPage').then((m) => ({ default: m.TallyPage })));
const CutPage = lazy(() => import('./stages/count/field/CutPage').then((m) => ({ default: m.CutPage })));
const WalkPage = lazy(() => import('./stages/count/field/WalkPage').then((m) => ({ default: m.WalkPage })));
const RoutePage = lazy(() => import('./stages/count/RoutePage').then((m) => ({ default: m.RoutePage })));
const RoutesPage = lazy(() => import('./stages/count/RoutesPage').then((m) => ({ default: m.RoutesPage })));
const RowSheetPage = lazy(() => import('./stages/count/RowSheetPage').then((m) => ({ default: m.RowSheetPage })));
const ScanPage = lazy(() => import('./stages/count/ScanPage').then((m) => ({ default: m.ScanPage })));
const BenchPage = lazy(() => import('./stages/prescribe/BenchPage').then((m) => ({ default: m.BenchPage })));
const ResultsPage = lazy(() => import('./stages/result/ResultsPage').then((m) => ({ default: m.ResultsPage })));
const LearningPage = lazy(() => import('./stages/result/LearningPage').then((m) => ({ default: m.LearningPage })));
const SeasonsPage = lazy(() => import('./stages/result/SeasonsPage').then((m) => ({ default: m.SeasonsPage })));
const WallPage = lazy(() => import('./stages/season/WallPage').then((m) => ({ default: m.WallPage })));
const WinterPage = lazy(() => import('./stages/season/WinterPage').then((m) => ({ default: m.WinterPage })));
const PrintRunPage = lazy(() =>
  import('./stages/prescribe/print/PrintRunPage').then((m) => ({ default: m.PrintRunPage })),
);
const CardPage = lazy(() => import('./stages/prescribe/CardPage').then((m) => ({ default: m.CardPage })));

/** Pages whose faults are told inside their frame, so that the way to the other pages stays. */
const framed = (children: RouteObject[]): RouteObject => ({ errorElement: <BrokenRoute />, children });

const only = (act: Act, page: ReactNode) => <Only act={act}>{page}</Only>;

const router = createBrowserRouter([
  {
    path: 'field',
    element: <FieldShell />,
    errorElement: <BrokenRoute />,
    children: [
      framed([
        { index: true, element: <FieldPage /> },
        { path: 'not-taken', element: <NotTakenPage /> },
        { path: 'today', element: <TodayPage /> },
        { path: ':id', element: <TallyPage /> },
        { path: ':id/buds', element: <CutPage /> },
        { path: ':id/walk', element: <WalkPage /> },
        { path: ':id/rework', element: <ReworkPage /> },
        { path: ':id/work', element: <WorkPage /> },
        { path: ':id/check', element: <CheckTreePage /> },
        { path: ':id/crop', element: <CropPage /> },
        { path: ':id/pass', element: <PassPage /> },
      ]),
    ],
  },
  {
    element: <Shell />,
    errorElement: <BrokenRoute />,
    children: [
      framed([
        { index: true, element: <SeasonPage /> },
        { path: 'map', element: <MapPage /> },
        { path: 'catalogue', element: <CataloguePage /> },
        { path: 'catalogue/systems', element: <SystemsPage /> },
        { path: 'catalogue/systems/trees', element: <TreesPage /> },
        { path: 'catalogue/systems/compare', element: <ChoicePage /> },
        { path: 'exchange', element: only('export', <ExchangePage />) },
        { path: 'known', element: <KnownPage /> },
        { path: 'year', element: <YearPage /> },
        { path: 'days', element: <DaysPage /> },
        { path: 'results', element: <ResultsPage /> },
        { path: 'results/learned', element: <LearningPage /> },
        { path: 'results/seasons', element: only('plan', <SeasonsPage />) },
        { path: 'results/winter', element: only('plan', <WinterPage />) },
        { path: 'weather', element: <WeatherPage /> },
        { path: 'estate', element: only('season', <EstatePage />) },
        { path: 'people', element: only('people', <PeoplePage />) },
        { path: 'sessions', element: <SessionsPage /> },
        { path: 'crew', element: only('report', <CrewPlanPage />) },
        { path: 'crew/what-if', element: only('plan', <TrialPage />) },
        { path: 'crew/costs', element: only('plan', <CostsPage />) },
        { path: 'crew/list', element: only('report', <WorkListPage />) },
        { path: 'crew/depth', element: only('plan', <DepthPage />) },
        { path: 'crew/checks', element: only('practice', <HandsPage />) },
        { path: 'practice', element: <PracticePage /> },
        { path: 'crew/people', element: only('practice', <CrewPage />) },
        { path: 'plantings/new', element: only('plantings', <NewPlantingPage />) },
        { path: 'cards', element: <PrintRunPage /> },
        { path: 'cards/wall', element: <WallPage /> },
        { path: 'routes', element: <RoutesPage /> },
        { path: 'targets', element: only('target', <RulePage />) },
        {
          element: <PlantingWords />,
          children: [
            { path: 'plantings/:id/card', element: <CardPage /> },
            { path: 'plantings/:id/passes/:pass/card', element: <PassCardPage /> },
            { path: 'plantings/:id/training/print', element: <TrainingPrintPage /> },
            { path: 'plantings/:id/bench', element: <BenchPage /> },
            { path: 'plantings/:id/route', element: <RoutePage /> },
            { path: 'plantings/:id/trees', element: <RowSheetPage /> },
          ],
        },
        { path: 'scans', element: only('exchange', <ScanPage />) },
        {
          path: 'plantings/:id',
          element: <PlantingPage />,
          children: [
            { index: true, element: <Navigate to="prescribe" replace /> },
            { path: 'estate', element: <EstateStage /> },
            { path: 'target', element: <TargetStage /> },
            { path: 'count', element: <CountStage /> },
            { path: 'decide', element: <DecideStage /> },
            { path: 'prescribe', element: <PrescribeStage /> },
            { path: 'check', element: <CheckStage /> },
            { path: 'result', element: <ResultStage /> },
            { path: 'passes', element: <PassesStage /> },
            { path: 'training', element: <TrainingStage /> },
            { path: 'training/leader', element: <LeaderStage /> },
            { path: 'sides', element: <SidesStage /> },
            { path: 'renewal', element: <RenewalStage /> },
            { path: 'rework', element: <ReworkStage /> },
            { path: 'taking-out', element: <TakingOutStage /> },
            { path: 'history', element: <HistoryPage /> },
          ],
        },
        { path: '*', element: <Navigate to="/" replace /> },
      ]),
    ],
  },
]);

/** Shows the application to whoever is signed in, in the units and language they like to read. */
export function App() {
  const session = useSession();
  const client = useQueryClient();
  const [signedIn, setSignedIn] = useState<SessionView | null>(null);
  const now = session.data;
  const person = now?.person ?? null;
  if (now && (now.state === 'signedIn' || (now.person && !signedIn)) && now !== signedIn) setSignedIn(now);
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    const ask = () => {
      setAsked(true);
    };
    window.addEventListener(ASK_SIGN_IN, ask);
    return () => {
      window.removeEventListener(ASK_SIGN_IN, ask);
    };
  }, []);
  if (asked && now?.state === 'signedIn') setAsked(false);
  useEffect(() => {
    if (person?.language) void speak(localeOf(person.language));
  }, [person?.language]);

  const system: UnitSystem = person?.units ?? 'metric';
  const reading = useMemo(() => {
    const choose = (units: UnitSystem, language: string) => {
      client.setQueryData<SessionView>(sessionKey, (s) =>
        s?.person ? { ...s, person: { ...s.person, units, language } } : s,
      );
      void answered(api.PUT('/api/v1/session/reading', { body: { units, language } })).catch(() => undefined);
    };
    return {
      system,
      chooseSystem: (next: UnitSystem) => {
        choose(next, i18n.language);
      },
      chooseLanguage: (next: string) => {
        choose(system, next);
      },
    };
  }, [system, client]);

  if (session.error && !now) return <Trouble error={session.error} retry={() => void session.refetch()} />;
  if (!now) return null;
  if (now.state === 'empty')
    return (
      <Suspense>
        <FirstManagerPage />
      </Suspense>
    );
  if (window.location.pathname === '/join')
    return (
      <Suspense>
        <JoinPage />
      </Suspense>
    );
  if (!signedIn) return <SignInPage over={null} />;
  if (now.state === 'signedIn' && !now.here) return <NoEstatePage session={now} />;
  return (
    <ReadingContext.Provider value={reading}>
      <Suspense>
        <RouterProvider router={router} />
      </Suspense>
      {now.state === 'signedOut' && (asked || !inField()) && <SignInPage over={signedIn} />}
    </ReadingContext.Provider>
  );
}
