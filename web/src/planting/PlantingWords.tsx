import { Outlet, useParams } from 'react-router';
import { HabitContext } from '../words/habit';
import { useHabit } from './useHabit';
import { usePlantingView } from './usePlantingView';

/** Pages of one planting that stand by themselves, in the words of how its crop bears. */
export function PlantingWords() {
  const { id } = useParams();
  const habit = useHabit(usePlantingView(id!).data?.plan.planting?.variety.crop);
  return (
    <HabitContext.Provider value={habit}>
      <Outlet />
    </HabitContext.Provider>
  );
}
