import { api, answered, type FreeValue, type PlantingEntry, type RowListEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { readLines, type SheetDraft } from '../../entry/lines';
import { at, type PartOf } from '../../planting/part';
import type { Locale } from '../../units/format';
import { parseNumber, toInput } from '../../units/parse';

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

/** Before the name of a column of the estate's own, among the inputs. */
export const FREE = 'free:';

const freeText = (f: FreeValue, language: Locale) => ({
  text: f.number == null ? (f.written ?? '') : toInput(f.number, language),
});

/** A number is kept as one, a day as one, anything else as it is written. */
function readFree(draft: Draft, language: Locale): FreeValue[] {
  return Object.entries(draft)
    .filter(([path, field]) => path.startsWith(FREE) && field.text.trim() !== '')
    .map(([path, field]) => {
      const [name, written] = [path.slice(FREE.length), field.text.trim()];
      const number = /^0\d/.test(written) ? NaN : parseNumber(written, language);
      const isNumber = number !== null && !Number.isNaN(number);
      const isDay = /^\d{4}-\d{2}-\d{2}$/.test(written) && !Number.isNaN(Date.parse(written));
      return {
        name,
        text: isNumber || isDay ? null : written,
        number: isNumber ? number : null,
        date: isDay ? written : null,
        written,
      };
    });
}

export const rowColumns = ['row', 'firstTree', 'trees', 'missing', 'replants', 'pollinizers', 'toGrub'] as const;

export const planting: PartOf<Draft, PlantingEntry> = {
  ofPlanting: true,
  act: 'plantings',
  from: (view, typing) => ({
    ...toDraft(plantingSpec, view.planting, typing),
    ...Object.fromEntries((view.planting.free ?? []).map((f) => [FREE + f.name!, freeText(f, typing.language)])),
  }),
  read: (draft, language) => {
    const read = readDraft<PlantingEntry>(plantingSpec, draft, language);
    return { ...read, entry: { ...read.entry, free: readFree(draft, language) } };
  },
  save: (view, planting) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/estate', { ...at(view), body: { version: view.plantingVersion, planting } }),
    ),
};

/** Rows as they are typed. */
export const rowLines = (rows: RowListEntry['rows'], language: Locale) =>
  (rows ?? []).map((r) => ({
    row: toInput(r.row, language),
    firstTree: toInput(r.firstTree, language),
    trees: toInput(r.trees, language),
    missing: r.missing ?? '',
    replants: r.replants ?? '',
    pollinizers: r.pollinizers ?? '',
    toGrub: r.toGrub ?? '',
  }));

export const rows: PartOf<SheetDraft, RowListEntry> = {
  ofPlanting: true,
  act: 'rows',
  from: (view, { language }) => ({
    lines: rowLines(view.rows.rows, language),
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
