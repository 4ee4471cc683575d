import { api, answered, type CountedTree, type PlantingEntry, type PlantingView, type SurveyEntry, type TargetEntry } from '../api/client';
import { readDraft, toDraft, type Draft, type FormSpec, type Read } from '../entry/draft';
import type { Language } from '../units/format';
import { parseNumber, toInput } from '../units/parse';

export const plantingSpec: FormSpec = {
  code: 'text', name: 'text', variety: 'text', rootstock: 'text', system: 'text', yearPlanted: 'number',
  rowSpacing: { amount: 'm' }, treeSpacing: { amount: 'm' }, area: { amount: 'ha' }, missingShare: { amount: '%' }, pollinizerShare: { amount: '%' },
};

export const targetSpec: FormSpec = {
  yield: { amount: 't/ha' }, fruitSize: { amount: 'g' }, packOut: { amount: '%' }, budFactor: 'number', limbsPerTree: 'number',
  'packages.box': { amount: 'kg' }, 'packages.bin': { amount: 'kg' }, 'packages.bushel': { amount: 'lb' },
};

export const settingsSpec: FormSpec = { tolerance: { amount: '%' }, cap: { amount: '%' } };

/** The counting sheet as typed: all buds instead of floral ones when `mode` is `all`. */
export interface CountDraft {
  mode: 'floral' | 'all';
  girthUnit: string;
  floralShare: string;
  rows: CountRow[];
}

export const countColumns = ['row', 'tree', 'girth', 'limbs', 'buds'] as const;
export type CountColumn = (typeof countColumns)[number];
export type CountRow = Record<CountColumn, string>;

export const emptyRow: CountRow = { row: '', tree: '', girth: '', limbs: '', buds: '' };
export const isEmptyRow = (row: CountRow) => countColumns.every((c) => row[c].trim() === '');

export interface Drafts {
  planting: Draft;
  target: Draft;
  settings: Draft;
  count: CountDraft;
}

interface Entries {
  planting: PlantingEntry;
  target: TargetEntry;
  settings: PlantingView['settings'];
  count: SurveyEntry;
}

export type SectionName = keyof Drafts;

/** A part of a planting that is typed, checked and saved as one. */
interface Section<S extends SectionName> {
  from: (view: PlantingView, language: Language) => Drafts[S];
  read: (draft: Drafts[S], language: Language) => Read<Entries[S]>;
  save: (view: PlantingView, entry: Entries[S]) => Promise<PlantingView>;
}

const at = (view: PlantingView) => ({ params: { path: { id: view.id } } });

export const sections: { [S in SectionName]: Section<S> } = {
  planting: {
    from: (view, language) => toDraft(plantingSpec, view.planting, language),
    read: (draft, language) => readDraft(plantingSpec, draft, language),
    save: (view, planting) => answered(api.PUT('/api/v1/plantings/{id}/estate', { ...at(view), body: { version: view.plantingVersion, planting } })),
  },
  target: {
    from: (view, language) => toDraft(targetSpec, view.target, language),
    read: (draft, language) => readDraft(targetSpec, draft, language),
    save: (view, target) => answered(api.PUT('/api/v1/plantings/{id}/target', { ...at(view), body: { version: view.planVersion, target } })),
  },
  settings: {
    from: (view, language) => toDraft(settingsSpec, view.settings, language),
    read: (draft, language) => readDraft(settingsSpec, draft, language),
    save: (view, settings) => answered(api.PUT('/api/v1/plantings/{id}/settings', { ...at(view), body: { version: view.planVersion, settings } })),
  },
  count: {
    from: (view, language) => toCountDraft(view.count, language),
    read: readCount,
    save: (view, count) => answered(api.PUT('/api/v1/plantings/{id}/count', { ...at(view), body: { version: view.planVersion, count } })),
  },
};

export function toCountDraft(count: SurveyEntry, language: Language): CountDraft {
  const trees = count.trees ?? [];
  const mode = trees.some((t) => t.buds != null) ? 'all' : 'floral';
  return {
    mode,
    girthUnit: trees.find((t) => t.girth?.unit)?.girth?.unit ?? 'cm',
    floralShare: toInput(count.floralShare?.value, language),
    rows: trees.map((t) => ({
      row: toInput(t.row, language), tree: toInput(t.tree, language), girth: toInput(t.girth?.value, language),
      limbs: toInput(t.limbs, language), buds: toInput(mode === 'all' ? t.buds : t.floralBuds, language),
    })),
  };
}

/** Reads the sheet; empty lines are skipped, and unreadable cells are named by the line they stand on. */
export function readCount(draft: CountDraft, language: Language): Read<SurveyEntry> {
  const unreadable: string[] = [];
  const number = (path: string, text: string) => {
    const value = parseNumber(text, language);
    if (!Number.isNaN(value)) return value;
    unreadable.push(path);
    return null;
  };
  const trees: CountedTree[] = draft.rows.filter((row) => !isEmptyRow(row)).map((row, line) => {
    const cell = (column: CountColumn, field: string = column) => number(`trees[${line}].${field}`, row[column]);
    const girth = cell('girth');
    return {
      row: cell('row'), tree: cell('tree'), limbs: cell('limbs'),
      girth: girth === null ? null : { value: girth, unit: draft.girthUnit },
      ...(draft.mode === 'all' ? { buds: cell('buds') } : { floralBuds: cell('buds', 'floralBuds') }),
    };
  });
  const share = draft.mode === 'all' ? number('floralShare', draft.floralShare) : null;
  return { entry: { trees, floralShare: share === null ? null : { value: share, unit: '%' } }, unreadable };
}
