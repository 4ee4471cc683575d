import type { SystemPack, TrainingSystem } from '../../../api/client';

/** A system with a step of another, last, and with what that step names and the system has not. */
export function takeStep(to: TrainingSystem, from: SystemPack, id: string): Partial<TrainingSystem> {
  const step = from.system.steps.find((s) => s.id === id)!;
  const pass = to.passes?.some((p) => p.id === step.pass) || from.choices.passes.includes(step.pass ?? '');
  return {
    ...brought(to, from, from.steps[id]!),
    // A pass of the other system's own stays there; the step goes where a new one would.
    steps: [...to.steps, pass ? step : { ...step, pass: from.choices.begin.pass }],
  };
}

/** A system with a question of another; of its answers stays what speaks of steps and passes that are here. */
export function takeQuestion(to: TrainingSystem, from: SystemPack, id: string): Partial<TrainingSystem> {
  const question = from.system.questions.find((q) => q.id === id)!;
  const here = (step: string) => to.steps.some((s) => s.id === step);
  const passes = [...from.choices.passes, ...(to.passes ?? []).map((p) => p.id)];
  const kept = <T>(of: Record<string, T> | null | undefined, fits: (step: string, value: T) => boolean) => {
    const left = Object.entries(of ?? {}).filter(([step, value]) => fits(step, value));
    return left.length === 0 ? null : Object.fromEntries(left);
  };
  const list = (of: string[] | null | undefined) => {
    const left = of?.filter(here) ?? [];
    return left.length === 0 ? null : left;
  };
  return {
    ...brought(to, from, from.questions[id]!),
    questions: [
      ...to.questions,
      {
        ...question,
        options: question.options.map((o) => ({
          ...o,
          leavesOut: list(o.leavesOut),
          sequence: list(o.sequence),
          orders: kept(o.orders, here),
          moves: kept(o.moves, (step, pass) => here(step) && passes.includes(pass)),
        })),
      },
    ],
  };
}

/** Settings and terms the system has under the same name stay as they are: they are its own. */
function brought(to: TrainingSystem, from: SystemPack, needs: SystemPack['steps'][string]): Partial<TrainingSystem> {
  const { settings, terms } = from.system;
  return {
    settings: [
      ...to.settings,
      ...settings.filter((s) => needs.settings.includes(s.id) && !to.settings.some((x) => x.id === s.id)),
    ],
    terms: { ...Object.fromEntries(Object.entries(terms).filter(([name]) => needs.terms.includes(name))), ...to.terms },
  };
}
