import { api, answered, type CuttingEntry } from '../../api/client';
import type { Read } from '../../entry/draft';
import { readLines } from '../../entry/lines';
import type { Line } from '../../entry/paste';
import { at, type PartOf } from '../../planting/part';
import type { Locale } from '../../units/format';
import { parseNumber, toInput } from '../../units/parse';

/** How the system is cut, as chosen and typed: answers and settings by name, and demonstration trees as lines. */
export interface CuttingDraft {
  answers: Record<string, string>;
  settings: Record<string, string>;
  lines: Line[];
  way: CuttingEntry['way'];
  /** More buds on the rest than the target asks, as a share; chosen where trees are checked. */
  rest: number | null;
}

/** Columns of a demonstration tree beside what fell at each step, whose columns begin with `fell.`. */
export const demonstrationColumns = ['row', 'tree', 'before', 'left'] as const;

export const cutting: PartOf<CuttingDraft, CuttingEntry> = {
  ofPlanting: false,
  act: 'settings',
  from: (view, { language }) => toCuttingDraft(view.cutting, language),
  read: readCutting,
  save: (view, entry) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/cutting', {
        ...at(view),
        body: { version: view.planVersion, cutting: entry },
      }),
    ),
};

export function toCuttingDraft(cutting: CuttingEntry, language: Locale): CuttingDraft {
  return {
    answers: { ...cutting.answers },
    way: cutting.way ?? null,
    rest: cutting.rest ?? null,
    settings: Object.fromEntries(
      Object.entries(cutting.settings ?? {}).map(([id, value]) => [id, toInput(value, language)]),
    ),
    lines: (cutting.demonstration ?? []).map((tree) => ({
      row: toInput(tree.row, language),
      tree: toInput(tree.tree, language),
      before: toInput(tree.before, language),
      left: toInput(tree.left, language),
      ...Object.fromEntries(
        Object.entries(tree.fell ?? {}).map(([step, fell]) => [`fell.${step}`, toInput(fell, language)]),
      ),
    })),
  };
}

export function readCutting(draft: CuttingDraft, language: Locale): Read<CuttingEntry> {
  const unreadable: string[] = [];
  const settings: Record<string, number> = {};
  for (const [id, text] of Object.entries(draft.settings)) {
    const value = parseNumber(text, language);
    if (value === null) continue;
    if (Number.isNaN(value)) unreadable.push(`settings.${id}`);
    else settings[id] = value;
  }
  const steps = [...new Set(draft.lines.flatMap((line) => Object.keys(line).filter((key) => key.startsWith('fell.'))))];
  const trees = readLines<NonNullable<CuttingEntry['demonstration']>[number], 'demonstration'>(
    draft.lines,
    [...demonstrationColumns, ...steps],
    'demonstration',
    language,
    (_, number) => ({
      row: number('row'),
      tree: number('tree'),
      before: number('before'),
      left: number('left'),
      fell: Object.fromEntries(
        steps.map((step) => [step.slice('fell.'.length), number(step)] as const).filter(([, fell]) => fell !== null),
      ),
    }),
  );
  const answers = Object.fromEntries(Object.entries(draft.answers).filter(([, answer]) => answer !== ''));
  return {
    entry: { answers, settings, way: draft.way ?? null, rest: draft.rest, ...trees.entry },
    unreadable: [...unreadable, ...trees.unreadable],
  };
}
