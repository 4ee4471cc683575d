import {
  api,
  answered,
  type HarvestLineEntry,
  type PlantingView,
  type SeasonRecordsEntry,
  type SeasonResultEntry,
} from '../../api/client';
import { readLines, type SheetDraft } from '../../entry/lines';
import { at, type PartOf } from '../../planting/part';
import { toInput } from '../../units/parse';
import { firstUnit, type Typing } from '../../units/system';
import type { Line } from '../../entry/paste';
import { detailColumns, fromLine, toLine } from './seasonSpec';

export const recordColumns = [
  'season',
  'yield',
  'fruitSize',
  'packOut',
  'greenTip',
  'budsLeft',
  'clustersThinned',
  ...detailColumns,
];

/** A season as a line of the list, with what it says beside its columns. */
export const lineOf = (r: SeasonResultEntry, typing: Typing): Line => {
  const { language, system } = typing;
  return {
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
    ...toLine(r, typing),
  };
};

/** Places of the harvest lines of a season that were taken out here. */
export const harvestGone = (line: Line): ReadonlySet<number> =>
  new Set((line.harvestGone ?? '').split(',').filter(Boolean).map(Number));

/** A season without some lines of its harvest. */
export const withoutHarvest = (line: Line, harvest: readonly HarvestLineEntry[], gone: ReadonlySet<number>): Line => ({
  ...line,
  harvestGone: [...gone].join(','),
  harvest: gone.size === 0 ? '' : JSON.stringify(harvest.filter((_, i) => !gone.has(i))),
});

export const records: PartOf<SheetDraft, SeasonRecordsEntry> = {
  ofPlanting: true,
  act: 'records',
  from: (view, typing) => ({
    lines: (view.records.seasons ?? []).map((r) => lineOf(r, typing)),
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
      ...fromLine(line, number),
      // Its harvest stays as it is known unless lines of it were taken out here.
      ...(line.harvest ? { harvest: JSON.parse(line.harvest) as HarvestLineEntry[] } : {}),
    })),
  save: (view, records) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/records', { ...at(view), body: { version: view.plantingVersion, records } }),
    ),
};

export const fruitColumns = ['diameter', 'mass'] as const;

export const fruitSample: PartOf<SheetDraft, PlantingView['fruitSample']> = {
  ofPlanting: true,
  act: 'records',
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
};
