import type { CrewTaskView, TaskChoiceEntry } from '../../api/client';

/** What is said of work, as it is sent back. */
export function choiceOf({ choice }: CrewTaskView): TaskChoiceEntry {
  return {
    crew: choice.crew,
    start: choice.start,
    latePerDay: choice.latePerDay,
    neverLate: choice.neverLate,
    platforms: choice.platforms || null,
    inTwo: choice.inTwo,
  };
}
