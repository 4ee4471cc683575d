import {
  api,
  answered,
  type Act,
  type BudCutEntry,
  type CountedTreeEntry,
  type CuttingEntry,
  type PlantingEntry,
  type PlantingView,
  type RowListEntry,
  type SampleSettingsEntry,
  type SeasonRecordsEntry,
  type SurveyEntry,
  type TargetEntry,
} from '../api/client';
import { readDraft, toDraft, type Draft, type FormSpec, type Read } from '../entry/draft';
import type { Language } from '../units/format';
import { isEmptyLine, type Line } from '../entry/paste';
import { parseNumber, toInput } from '../units/parse';
import { firstUnit, type Typing } from '../units/system';

export const plantingSpec: FormSpec = {
  site: 'text',
  block: 'text',
  code: 'text',
  name: 'text',
  variety: 'text',
  rootstock: 'text',
  system: 'text',
  yearPlanted: 'number',
  rowSpacing: { amount: 'm' },
  treeSpacing: { amount: 'm' },
  area: { amount: 'ha' },
  missingShare: { amount: '%' },
  pollinizerShare: { amount: '%' },
};

export const targetSpec: FormSpec = {
  yield: { amount: 't/ha' },
  fruitSize: { amount: 'g' },
  packOut: { amount: '%' },
  budFactor: 'number',
  limbsPerTree: 'number',
  'packages.box': { amount: 'kg' },
  'packages.bin': { amount: 'kg' },
  'packages.bushel': { amount: 'lb' },
  'insurance.school': 'choice',
  'insurance.reason': 'text',
  'insurance.reached': { amount: '%' },
  'insurance.costOver': 'number',
  'insurance.costUnder': 'number',
  'insurance.setShare': { amount: '%' },
  'insurance.setShareSd': { amount: '%' },
  'insurance.pruningSd': { amount: '%' },
  'insurance.fruitlets': 'number',
  'insurance.losses.winterKill': { amount: '%' },
  'insurance.losses.frost': { amount: '%' },
  'insurance.losses.mechanical': { amount: '%' },
  'insurance.losses.riskChance': { amount: '%' },
  'insurance.losses.riskLoss': { amount: '%' },
  'canopy.height': { amount: 'm' },
  'canopy.regrowth': { amount: 'm' },
  'canopy.alley': { amount: 'm' },
  'canopy.overlap': { amount: 'm' },
  'canopy.heightFactor': 'number',
  'canopy.leaders': 'number',
  'canopy.leaderSpacing': { amount: 'm' },
  'canopy.angleDeg': 'number',
  'canopy.baseGap': { amount: 'm' },
  'canopy.overhang': { amount: 'm' },
  'sharing.exponent': 'number',
  'sharing.smallBelow': { amount: 'mm' },
  'sharing.largeFrom': { amount: 'mm' },
  'sharing.top': 'choice',
};

export const settingsSpec: FormSpec = {
  tolerance: { amount: '%' },
  cap: { amount: '%' },
  held: 'choice',
  heldReason: 'text',
};

/** The counting sheet as typed: all buds instead of floral ones when `mode` is `all`. */
export interface CountDraft {
  mode: 'floral' | 'all';
  girthUnit: string;
  floralShare: string;
  /** A tree counted by kind or limb by limb carries what has no cell of its own in `kept`, as JSON. */
  lines: Line[];
  cuts: Line[];
  sample: Draft;
  edgeRows: boolean;
  replants: boolean;
  pollinizers: boolean;
  method: string;
}

export const sampleSpec: FormSpec = {
  trees: 'number',
  seed: 'number',
  minutesPerTree: 'number',
  wagePerHour: 'number',
};
export const cutColumns = ['row', 'tree', 'kind', 'floral', 'vegetative', 'dead'] as const;

export const countColumns = ['row', 'tree', 'girth', 'limbs', 'buds'] as const;

/** A sheet of lines as typed. */
export interface SheetDraft {
  lines: Line[];
}

/** How the system is cut, as chosen and typed: answers and settings by name, and demonstration trees as lines. */
export interface CuttingDraft {
  answers: Record<string, string>;
  settings: Record<string, string>;
  lines: Line[];
  way: CuttingEntry['way'];
}

/** Columns of a demonstration tree beside what fell at each step, whose columns begin with `fell.`. */
export const demonstrationColumns = ['row', 'tree', 'before', 'left'] as const;

export const rowColumns = ['row', 'firstTree', 'trees', 'missing', 'replants', 'pollinizers', 'toGrub'] as const;
export const recordColumns = [
  'season',
  'yield',
  'fruitSize',
  'packOut',
  'greenTip',
  'budsLeft',
  'clustersThinned',
] as const;
export const fruitColumns = ['diameter', 'mass'] as const;

export interface Drafts {
  planting: Draft;
  target: Draft;
  settings: Draft;
  rows: SheetDraft;
  records: SheetDraft;
  fruitSample: SheetDraft;
  count: CountDraft;
  cutting: CuttingDraft;
}

interface Entries {
  planting: PlantingEntry;
  target: TargetEntry;
  settings: PlantingView['settings'];
  rows: RowListEntry;
  records: SeasonRecordsEntry;
  fruitSample: PlantingView['fruitSample'];
  count: SurveyEntry;
  cutting: CuttingEntry;
}

export type SectionName = keyof Drafts;

/** Parts that belong to the planting and not to its plan of the season; they share its version. */
export const plantingParts: readonly SectionName[] = ['planting', 'rows', 'records', 'fruitSample'];

/** What a person must be allowed to do to save a part. */
export const actOf: Record<SectionName, Act> = {
  planting: 'plantings',
  rows: 'rows',
  records: 'records',
  fruitSample: 'records',
  target: 'target',
  count: 'count',
  settings: 'settings',
  cutting: 'settings',
};

/** A part of a planting that is typed, checked and saved as one. */
interface Section<S extends SectionName> {
  from: (view: PlantingView, typing: Typing) => Drafts[S];
  read: (draft: Drafts[S], language: Language) => Read<Entries[S]>;
  save: (view: PlantingView, entry: Entries[S]) => Promise<PlantingView>;
}

const at = (view: PlantingView) => ({ params: { path: { id: view.id } } });

export const sections: { [S in SectionName]: Section<S> } = {
  planting: {
    from: (view, typing) => toDraft(plantingSpec, view.planting, typing),
    read: (draft, language) => readDraft(plantingSpec, draft, language),
    save: (view, planting) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/estate', { ...at(view), body: { version: view.plantingVersion, planting } }),
      ),
  },
  target: {
    from: (view, typing) => toDraft(targetSpec, view.target, typing),
    read: (draft, language) => readDraft(targetSpec, draft, language),
    save: (view, target) =>
      answered(api.PUT('/api/v1/plantings/{id}/target', { ...at(view), body: { version: view.planVersion, target } })),
  },
  settings: {
    from: (view, typing) => toDraft(settingsSpec, view.settings, typing),
    read: (draft, language) => readDraft(settingsSpec, draft, language),
    save: (view, settings) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/settings', { ...at(view), body: { version: view.planVersion, settings } }),
      ),
  },
  rows: {
    from: (view, { language }) => ({
      lines: (view.rows.rows ?? []).map((r) => ({
        row: toInput(r.row, language),
        firstTree: toInput(r.firstTree, language),
        trees: toInput(r.trees, language),
        missing: r.missing ?? '',
        replants: r.replants ?? '',
        pollinizers: r.pollinizers ?? '',
        toGrub: r.toGrub ?? '',
      })),
    }),
    read: (draft, language) =>
      readLines(draft.lines, rowColumns, 'rows', language, (line, number) => ({
        row: number('row'),
        firstTree: number('firstTree'),
        trees: number('trees'),
        missing: line.missing ?? '',
        replants: line.replants ?? '',
        pollinizers: line.pollinizers ?? '',
        toGrub: line.toGrub ?? '',
      })),
    save: (view, rows) =>
      answered(api.PUT('/api/v1/plantings/{id}/rows', { ...at(view), body: { version: view.plantingVersion, rows } })),
  },
  records: {
    from: (view, { language, system }) => ({
      lines: (view.records.seasons ?? []).map((r) => ({
        season: toInput(r.season, language),
        yield: toInput(r.yield?.value, language),
        yieldUnit: r.yield?.unit ?? firstUnit('t/ha', system),
        fruitSize: toInput(r.fruitSize?.value, language),
        fruitSizeUnit: r.fruitSize?.unit ?? firstUnit('g', system),
        packOut: toInput(r.packOut?.value, language),
        packOutUnit: r.packOut?.unit ?? '%',
        greenTip: r.greenTip ?? '',
        budsLeft: toInput(r.budsLeft, language),
        clustersThinned: toInput(r.clustersThinned, language),
      })),
    }),
    read: (draft, language) =>
      readLines(draft.lines, recordColumns, 'seasons', language, (line, number) => ({
        season: number('season'),
        yield: { value: number('yield'), unit: line.yieldUnit ?? 't/ha' },
        fruitSize: { value: number('fruitSize'), unit: line.fruitSizeUnit ?? 'g' },
        packOut: { value: number('packOut'), unit: line.packOutUnit ?? '%' },
        greenTip: line.greenTip || null,
        budsLeft: number('budsLeft'),
        clustersThinned: number('clustersThinned'),
      })),
    save: (view, records) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/records', { ...at(view), body: { version: view.plantingVersion, records } }),
      ),
  },
  fruitSample: {
    from: (view, { language, system }) => ({
      lines: (view.fruitSample.fruit ?? []).map((f) => ({
        diameter: toInput(f.diameter?.value, language),
        diameterUnit: f.diameter?.unit ?? firstUnit('mm', system),
        mass: toInput(f.mass?.value, language),
        massUnit: f.mass?.unit ?? 'g',
      })),
    }),
    read: (draft, language) =>
      readLines(draft.lines, fruitColumns, 'fruit', language, (line, number) => ({
        diameter: { value: number('diameter'), unit: line.diameterUnit ?? 'mm' },
        mass: { value: number('mass'), unit: line.massUnit ?? 'g' },
      })),
    save: (view, fruitSample) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/fruit', { ...at(view), body: { version: view.plantingVersion, fruitSample } }),
      ),
  },
  count: {
    from: (view, typing) => toCountDraft(view.count, typing),
    read: readCount,
    save: (view, count) =>
      answered(api.PUT('/api/v1/plantings/{id}/count', { ...at(view), body: { version: view.planVersion, count } })),
  },
  cutting: {
    from: (view, { language }) => toCuttingDraft(view.cutting, language),
    read: readCutting,
    save: (view, cutting) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/cutting', { ...at(view), body: { version: view.planVersion, cutting } }),
      ),
  },
};

export function toCuttingDraft(cutting: CuttingEntry, language: Language): CuttingDraft {
  return {
    answers: { ...cutting.answers },
    way: cutting.way ?? null,
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

export function readCutting(draft: CuttingDraft, language: Language): Read<CuttingEntry> {
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
    entry: { answers, settings, way: draft.way ?? null, ...trees.entry },
    unreadable: [...unreadable, ...trees.unreadable],
  };
}

/** What a counted tree holds beside its cells, and the buds shown for it. */
interface Kept {
  tree: CountedTreeEntry;
  shown: string;
}

export function toCountDraft(count: SurveyEntry, { language, system }: Typing): CountDraft {
  const trees = count.trees ?? [];
  const mode = trees.some((t) => t.buds != null) ? 'all' : 'floral';
  return {
    mode,
    girthUnit: trees.find((t) => t.girth?.unit)?.girth?.unit ?? firstUnit('cm', system),
    floralShare: toInput(count.floralShare?.value, language),
    lines: trees.map((t) => {
      const kinds = t.kinds ?? [];
      const buds = kinds.length > 0 ? kinds.reduce((sum, k) => sum + (k.buds ?? 0), 0) : (t.floralBuds ?? t.buds);
      const line: Line = {
        row: toInput(t.row, language),
        tree: toInput(t.tree, language),
        girth: toInput(t.girth?.value, language),
        limbs: toInput(t.limbs, language),
        buds: toInput(buds, language),
      };
      const plain =
        kinds.length === 0 &&
        (t.limbSizes ?? []).length === 0 &&
        !t.note &&
        (mode === 'all' ? t.floralBuds : t.buds) == null;
      return plain ? line : { ...line, kept: JSON.stringify({ tree: t, shown: line.buds! } satisfies Kept) };
    }),
    cuts: (count.budCuts ?? []).map((c) => ({
      row: toInput(c.row, language),
      tree: toInput(c.tree, language),
      kind: c.kind ?? '',
      floral: toInput(c.floral, language),
      vegetative: toInput(c.vegetative, language),
      dead: toInput(c.dead, language),
    })),
    sample: toDraft(sampleSpec, count.sample ?? {}, { language, system }),
    edgeRows: count.sample?.edgeRows ?? false,
    replants: count.sample?.replants ?? false,
    pollinizers: count.sample?.pollinizers ?? false,
    method: count.method ?? '',
  };
}

/** Reads the lines of a sheet; empty ones are skipped, and unreadable cells are named by the line they are sent as. */
function readLines<T, K extends string>(
  lines: Line[],
  columns: readonly string[],
  name: K,
  language: Language,
  entry: (line: Line, number: (column: string, field?: string) => number | null) => T,
): Read<Record<K, T[]>> {
  const unreadable: string[] = [];
  const entries = lines
    .filter((line) => !isEmptyLine(line, columns))
    .map((line, i) =>
      entry(line, (column, field = column) => {
        const value = parseNumber(line[column] ?? '', language);
        if (!Number.isNaN(value)) return value;
        unreadable.push(`${name}[${i}].${field}`);
        return null;
      }),
    );
  return { entry: { [name]: entries } as Record<K, T[]>, unreadable };
}

export function readCount(draft: CountDraft, language: Language): Read<SurveyEntry> {
  const all = draft.mode === 'all';
  const { entry, unreadable } = readLines<CountedTreeEntry, 'trees'>(
    draft.lines,
    countColumns,
    'trees',
    language,
    (line, number) => {
      const girth = number('girth');
      const kept = line.kept ? (JSON.parse(line.kept) as Kept) : null;
      const { kinds, floralBuds, buds, limbSizes, note } = kept?.tree ?? {};
      // Buds typed over are told anew; those left as they are stay as they were counted.
      const counted =
        kept !== null && kept.shown === line.buds
          ? {
              ...(kinds && kinds.length > 0 ? { kinds } : {}),
              ...(floralBuds != null ? { floralBuds } : {}),
              ...(buds != null ? { buds } : {}),
            }
          : all
            ? { buds: number('buds') }
            : { floralBuds: number('buds', 'floralBuds') };
      return {
        row: number('row'),
        tree: number('tree'),
        limbs: number('limbs'),
        girth: girth === null ? null : { value: girth, unit: draft.girthUnit },
        ...counted,
        ...(limbSizes && limbSizes.length > 0 ? { limbSizes } : {}),
        ...(note ? { note } : {}),
      };
    },
  );
  const cuts = readLines<BudCutEntry, 'budCuts'>(draft.cuts, cutColumns, 'budCuts', language, (line, number) => ({
    row: number('row'),
    tree: number('tree'),
    kind: line.kind?.trim() || null,
    floral: number('floral'),
    vegetative: number('vegetative'),
    dead: number('dead'),
  }));
  const sample = readDraft<SampleSettingsEntry>(sampleSpec, draft.sample, language);
  const share = parseNumber(draft.floralShare, language);
  const needsShare = all || draft.lines.some((line) => line.kept?.includes('"kinds":[{'));
  const wrong = [
    ...unreadable,
    ...cuts.unreadable,
    ...sample.unreadable.map((path) => `sample.${path}`),
    ...(needsShare && Number.isNaN(share) ? ['floralShare'] : []),
  ];
  return {
    entry: {
      ...entry,
      ...(cuts.entry.budCuts.length > 0 ? cuts.entry : {}),
      floralShare: !needsShare || share === null || Number.isNaN(share) ? null : { value: share, unit: '%' },
      sample: { ...sample.entry, edgeRows: draft.edgeRows, replants: draft.replants, pollinizers: draft.pollinizers },
      ...(draft.method === '' ? {} : { method: draft.method as NonNullable<SurveyEntry['method']> }),
    },
    unreadable: wrong,
  };
}
