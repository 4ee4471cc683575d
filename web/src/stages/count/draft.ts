import {
  api,
  answered,
  type BudCutEntry,
  type CountedTreeEntry,
  type SampleSettingsEntry,
  type SurveyEntry,
} from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec, type Read } from '../../entry/draft';
import { readLines } from '../../entry/lines';
import type { Line } from '../../entry/paste';
import { at, type PartOf } from '../../planting/part';
import type { Locale } from '../../units/format';
import { parseNumber, toInput } from '../../units/parse';
import { firstUnit, type Typing } from '../../units/system';

/** What a counted tree holds beside its cells, and the buds shown for it. */
interface ToldTree {
  tree: CountedTreeEntry;
  shown: string;
}

/** The counting sheet as typed: all buds instead of floral ones when `mode` is `all`. */
export interface CountDraft {
  mode: 'floral' | 'all';
  girthUnit: string;
  floralShare: string;
  lines: Line[];
  /** Trees counted by kind or limb by limb, by what their lines name in `told`: they have no cells for all of it. */
  told: Record<string, ToldTree>;
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

/** What a line's tree holds beside its cells; undefined where that is nothing. */
const toldOf = (draft: CountDraft, line: Line): ToldTree | undefined =>
  line.told === undefined ? undefined : draft.told[line.told];

/** Whether some trees were counted by kind of bud. */
export const isByKind = (draft: CountDraft) =>
  draft.lines.some((line) => (toldOf(draft, line)?.tree.kinds ?? []).length > 0);

export const count: PartOf<CountDraft, SurveyEntry> = {
  ofPlanting: false,
  act: 'count',
  from: (view, typing) => toCountDraft(view.count, typing),
  read: readCount,
  save: (view, entry) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/count', { ...at(view), body: { version: view.planVersion, count: entry } }),
    ),
};

export function toCountDraft(count: SurveyEntry, { language, system }: Typing): CountDraft {
  const trees = count.trees ?? [];
  const told: CountDraft['told'] = {};
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
      if (plain) return line;
      const key = `${t.row}/${t.tree}`;
      told[key] = { tree: t, shown: line.buds! };
      return { ...line, told: key };
    }),
    told,
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

export function readCount(draft: CountDraft, language: Locale): Read<SurveyEntry> {
  const all = draft.mode === 'all';
  const { entry, unreadable } = readLines<CountedTreeEntry, 'trees'>(
    draft.lines,
    countColumns,
    'trees',
    language,
    (line, number) => {
      const girth = number('girth');
      const told = toldOf(draft, line);
      const { kinds, floralBuds, buds, limbSizes, note } = told?.tree ?? {};
      // Buds typed over are told anew; those left as they are stay as they were counted.
      const counted =
        told?.shown === line.buds
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
  const needsShare = all || isByKind(draft);
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
