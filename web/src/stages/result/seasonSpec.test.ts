import { expect, test } from 'vitest';
import type { SeasonResultEntry } from '../../api/client';
import { parseNumber } from '../../units/parse';
import { fromLine, toLine } from './seasonSpec';

const season: SeasonResultEntry = {
  season: 2026,
  counts: {
    setClusters: 118.5,
    girth: { value: 15.2, unit: 'cm' },
    how: { setClusters: { trees: 12, halfWidth: 9, day: '2026-06-14', by: 'sample', who: 'Counter 1' } },
  },
  wanted: { budsLeft: 190, setShare: { value: 62, unit: '%' } },
};

test('what a season says beside its columns survives its line, decimal comma and all', () => {
  const line = toLine(season, { language: 'es', system: 'metric' });
  expect(line['counts.setClusters']).toBe('118,5');
  expect(fromLine(line, (path) => parseNumber(line[path] ?? '', 'es'))).toEqual({
    counts: season.counts,
    wanted: season.wanted,
  });
});

test('a line that says nothing more makes no part', () => {
  expect(fromLine(toLine({ season: 2026 }, { language: 'en', system: 'us' }), () => 1)).toEqual({});
});
