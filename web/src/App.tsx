import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, useMemo, useState, type ReactNode } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, type RouteObject } from 'react-router';
import { api, answered, type Act, type SessionView } from './api/client';
import { Only } from './people/Only';
import { ASK_SIGN_IN, inField, sessionKey, useSession } from './people/session';
import { BrokenRoute } from './Broken';
import { later } from './later';
import { Shell } from './Shell';
import { SeasonPage } from './stages/season/SeasonPage';
import type { UnitSystem } from './units/system';
import { Trouble } from './Trouble';
import { localeOf } from './units/format';
import i18n, { speak } from './words/i18n';
import { ReadingContext } from './words/useReading';

const PlantingPage = later(() => import('./planting/PlantingPage'), 'PlantingPage');
const CrewPlanPage = later(() => import('./stages/crew/CrewPlanPage'), 'CrewPlanPage');
const PlantingWords = later(() => import('./planting/PlantingWords'), 'PlantingWords');
const NewPlantingPage = later(() => import('./stages/estate/NewPlantingPage'), 'NewPlantingPage');
const EstateStage = later(() => import('./stages/estate/EstateStage'), 'EstateStage');
const TargetStage = later(() => import('./stages/target/TargetStage'), 'TargetStage');
const RulePage = later(() => import('./stages/target/RulePage'), 'RulePage');
const CountStage = later(() => import('./stages/count/CountStage'), 'CountStage');
const DecideStage = later(() => import('./stages/decide/DecideStage'), 'DecideStage');
const PrescribeStage = later(() => import('./stages/prescribe/PrescribeStage'), 'PrescribeStage');
const ResultStage = later(() => import('./stages/result/ResultStage'), 'ResultStage');
const PassesStage = later(() => import('./stages/passes/PassesStage'), 'PassesStage');
const TrainingStage = later(() => import('./stages/training/TrainingStage'), 'TrainingStage');
const SidesStage = later(() => import('./stages/training/SidesStage'), 'SidesStage');
const RenewalStage = later(() => import('./stages/training/RenewalStage'), 'RenewalStage');
const ReworkStage = later(() => import('./stages/training/ReworkStage'), 'ReworkStage');
const TakingOutStage = later(() => import('./stages/training/TakingOutStage'), 'TakingOutStage');
const TodayPage = later(() => import('./stages/crew/field/TodayPage'), 'TodayPage');
const TrialPage = later(() => import('./stages/crew/trial/TrialPage'), 'TrialPage');
const DepthPage = later(() => import('./stages/crew/depth/DepthPage'), 'DepthPage');
const CostsPage = later(() => import('./stages/crew/cost/CostsPage'), 'CostsPage');
const WorkListPage = later(() => import('./stages/crew/WorkListPage'), 'WorkListPage');
const WorkPage = later(() => import('./stages/crew/field/WorkPage'), 'WorkPage');
const CheckTreePage = later(() => import('./stages/check/field/CheckTreePage'), 'CheckTreePage');
const CropPage = later(() => import('./stages/result/field/CropPage'), 'CropPage');
const CheckStage = later(() => import('./stages/check/CheckStage'), 'CheckStage');
const HandsPage = later(() => import('./stages/check/HandsPage'), 'HandsPage');
const ReworkPage = later(() => import('./stages/training/field/ReworkPage'), 'ReworkPage');
const LeaderStage = later(() => import('./stages/training/LeaderStage'), 'LeaderStage');
const TrainingPrintPage = later(() => import('./stages/training/TrainingPrintPage'), 'TrainingPrintPage');
const YearPage = later(() => import('./stages/passes/YearPage'), 'YearPage');
const DaysPage = later(() => import('./stages/passes/DaysPage'), 'DaysPage');
const WeatherPage = later(() => import('./stages/weather/WeatherPage'), 'WeatherPage');
const HistoryPage = later(() => import('./stages/estate/HistoryPage'), 'HistoryPage');
const SignInPage = later(() => import('./people/SignInPage'), 'SignInPage');
const NoEstatePage = later(() => import('./people/NoEstatePage'), 'NoEstatePage');
const FirstManagerPage = later(() => import('./people/FirstManagerPage'), 'FirstManagerPage');
const EstatePage = later(() => import('./stages/season/EstatePage'), 'EstatePage');
const PeoplePage = later(() => import('./people/PeoplePage'), 'PeoplePage');
const SessionsPage = later(() => import('./people/SessionsPage'), 'SessionsPage');
const JoinPage = later(() => import('./people/JoinPage'), 'JoinPage');
const CrewPage = later(() => import('./stages/crew/CrewPage'), 'CrewPage');
const MapPage = later(() => import('./stages/estate/MapPage'), 'MapPage');
const CataloguePage = later(() => import('./stages/estate/CataloguePage'), 'CataloguePage');
const ChoicePage = later(() => import('./stages/training/ChoicePage'), 'ChoicePage');
const PracticePage = later(() => import('./stages/prescribe/practice/PracticePage'), 'PracticePage');
const TreesPage = later(() => import('./stages/systems/TreesPage'), 'TreesPage');
const SystemsPage = later(() => import('./stages/systems/SystemsPage'), 'SystemsPage');
const ExchangePage = later(() => import('./exchange/ExchangePage'), 'ExchangePage');
const KnownPage = later(() => import('./stages/season/KnownPage'), 'KnownPage');
const FieldShell = later(() => import('./field/FieldShell'), 'FieldShell');
const FieldPage = later(() => import('./field/FieldPage'), 'FieldPage');
const NotTakenPage = later(() => import('./field/NotTakenPage'), 'NotTakenPage');
const PassPage = later(() => import('./stages/passes/field/PassPage'), 'PassPage');
const PassCardPage = later(() => import('./stages/passes/PassCardPage'), 'PassCardPage');
const TallyPage = later(() => import('./stages/count/field/TallyPage'), 'TallyPage');
const CutPage = later(() => import('./stages/count/field/CutPage'), 'CutPage');
const WalkPage = later(() => import('./stages/count/field/WalkPage'), 'WalkPage');
const RoutePage = later(() => import('./stages/count/RoutePage'), 'RoutePage');
const RoutesPage = later(() => import('./stages/count/RoutesPage'), 'RoutesPage');
const RowSheetPage = later(() => import('./stages/count/RowSheetPage'), 'RowSheetPage');
const ScanPage = later(() => import('./stages/count/ScanPage'), 'ScanPage');
const BenchPage = later(() => import('./stages/prescribe/BenchPage'), 'BenchPage');
const ResultsPage = later(() => import('./stages/result/ResultsPage'), 'ResultsPage');
const LearningPage = later(() => import('./stages/result/LearningPage'), 'LearningPage');
const SeasonsPage = later(() => import('./stages/result/SeasonsPage'), 'SeasonsPage');
const WallPage = later(() => import('./stages/season/WallPage'), 'WallPage');
const WinterPage = later(() => import('./stages/season/WinterPage'), 'WinterPage');
const PrintRunPage = later(() => import('./stages/prescribe/print/PrintRunPage'), 'PrintRunPage');
const CardPage = later(() => import('./stages/prescribe/CardPage'), 'CardPage');

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
  if (!signedIn)
    return (
      <Suspense>
        <SignInPage over={null} />
      </Suspense>
    );
  if (now.state === 'signedIn' && !now.here)
    return (
      <Suspense>
        <NoEstatePage session={now} />
      </Suspense>
    );
  return (
    <ReadingContext.Provider value={reading}>
      <Suspense>
        <RouterProvider router={router} />
      </Suspense>
      <Suspense>{now.state === 'signedOut' && (asked || !inField()) && <SignInPage over={signedIn} />}</Suspense>
    </ReadingContext.Provider>
  );
}
