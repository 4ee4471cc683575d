import { api, answered, type PlantingEntry, type RowListEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { readLines, type SheetDraft } from '../../entry/lines';
import { at, type PartOf } from '../../planting/part';
import { toInput } from '../../units/parse';

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

export const rowColumns = ['row', 'firstTree', 'trees', 'missing', 'replants', 'pollinizers', 'toGrub'] as const;

export const planting: PartOf<Draft, PlantingEntry> = {
  ofPlanting: true,
  act: 'plantings',
  from: (view, typing) => toDraft(plantingSpec, view.planting, typing),
  read: (draft, language) => readDraft(plantingSpec, draft, language),
  save: (view, planting) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/estate', { ...at(view), body: { version: view.plantingVersion, planting } }),
    ),
};

export const rows: PartOf<SheetDraft, RowListEntry> = {
  ofPlanting: true,
  act: 'rows',
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
};
