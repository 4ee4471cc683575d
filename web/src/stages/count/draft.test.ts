import { describe, expect, it } from 'vitest';
import { isByKind, readCount, toCountDraft, type CountDraft } from './draft';

const sheet: CountDraft = {
  mode: 'floral',
  girthUnit: 'cm',
  floralShare: '',
  told: {},
  cuts: [],
  sample: {},
  edgeRows: false,
  replants: false,
  pollinizers: false,
  method: '',
  lines: [
    { row: '3', tree: '14', girth: '15,2', limbs: '23', buds: '318' },
    {},
    { row: '3', tree: '61', girth: '', limbs: '', buds: 'many' },
  ],
};

describe('the counting sheet', () => {
  it('skips empty lines, and names unreadable cells by the line of the entry', () => {
    const { entry, unreadable } = readCount(sheet, 'es');
    expect(entry.trees).toEqual([
      { row: 3, tree: 14, limbs: 23, girth: { value: 15.2, unit: 'cm' }, floralBuds: 318 },
      { row: 3, tree: 61, limbs: null, girth: null, floralBuds: null },
    ]);
    expect(unreadable).toEqual(['trees[1].floralBuds']);
  });

  it('reads all buds with their share', () => {
    const { entry } = readCount({ ...sheet, mode: 'all', floralShare: '40', lines: [{ ...sheet.lines[0]! }] }, 'es');
    expect(entry.floralShare).toEqual({ value: 40, unit: '%' });
    expect(entry.trees![0]).toMatchObject({ buds: 318 });
    expect(entry.trees![0]).not.toHaveProperty('floralBuds');
  });

  it('keeps what a tree counted in the row has no cell for, until its buds are typed over', () => {
    const tree = {
      row: 3,
      tree: 14,
      limbs: 2,
      girth: null,
      kinds: [
        { kind: 'spur', buds: 100 },
        { kind: 'lateral', buds: 20 },
      ],
      limbSizes: [{ diameter: { value: 14, unit: 'mm' }, forked: true, buds: 120 }],
      note: 'canker',
    };
    const cuts = [{ row: 3, tree: 14, kind: 'spur', floral: 11, vegetative: 8, dead: 1 }];
    const draft = toCountDraft(
      { trees: [tree], budCuts: cuts, sample: { trees: 20, edgeRows: true }, method: 'simple' },
      { language: 'en', system: 'metric' },
    );
    expect(draft.lines[0]).toMatchObject({ buds: '120' });
    expect([isByKind(draft), isByKind({ ...draft, lines: [] }), isByKind(sheet)]).toEqual([true, false, false]);
    const { entry } = readCount(draft, 'en');
    expect(entry).toMatchObject({
      trees: [tree],
      budCuts: cuts,
      method: 'simple',
      sample: { trees: 20, edgeRows: true },
    });
    const typed = readCount({ ...draft, lines: [{ ...draft.lines[0]!, buds: '90' }] }, 'en').entry.trees![0]!;
    expect(typed).toMatchObject({ floralBuds: 90, note: 'canker' });
    expect(typed).not.toHaveProperty('kinds');
  });

  it('shows a saved count as it was typed', () => {
    const { entry } = readCount({ ...sheet, lines: [sheet.lines[0]!] }, 'es');
    expect(toCountDraft(entry, { language: 'es', system: 'metric' }).lines).toEqual([sheet.lines[0]]);
  });
});
