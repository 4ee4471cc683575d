import { lazy, Suspense, useMemo, useState } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Shell } from './Shell';
import { SeasonPage } from './stages/season/SeasonPage';
import type { UnitSystem } from './units/system';
import { UnitSystemContext } from './words/useReading';

const PlantingPage = lazy(() => import('./planting/PlantingPage').then((m) => ({ default: m.PlantingPage })));
const NewPlantingPage = lazy(() => import('./stages/estate/NewPlantingPage').then((m) => ({ default: m.NewPlantingPage })));
const EstateStage = lazy(() => import('./stages/estate/EstateStage').then((m) => ({ default: m.EstateStage })));
const TargetStage = lazy(() => import('./stages/target/TargetStage').then((m) => ({ default: m.TargetStage })));
const CountStage = lazy(() => import('./stages/count/CountStage').then((m) => ({ default: m.CountStage })));
const DecideStage = lazy(() => import('./stages/decide/DecideStage').then((m) => ({ default: m.DecideStage })));
const PrescribeStage = lazy(() => import('./stages/prescribe/PrescribeStage').then((m) => ({ default: m.PrescribeStage })));
const CardPage = lazy(() => import('./stages/prescribe/CardPage').then((m) => ({ default: m.CardPage })));

const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { index: true, element: <SeasonPage /> },
      { path: 'plantings/new', element: <NewPlantingPage /> },
      { path: 'plantings/:id/card', element: <CardPage /> },
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
        ],
      },
      { path: '*', element: <Navigate to="/" replace /> },
    ],
  },
]);

export function App() {
  const [system, setSystem] = useState<UnitSystem>(() => (localStorage.getItem('rama.units') === 'us' ? 'us' : 'metric'));
  const reading = useMemo(() => ({
    system,
    choose: (next: UnitSystem) => { localStorage.setItem('rama.units', next); setSystem(next); },
  }), [system]);
  return (
    <UnitSystemContext.Provider value={reading}>
      <Suspense><RouterProvider router={router} /></Suspense>
    </UnitSystemContext.Provider>
  );
}
