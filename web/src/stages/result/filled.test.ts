import { expect, test } from 'vitest';
import { lineOf } from './draft';
import { filled } from './filled';

const typing = { language: 'en', system: 'metric' } as const;
const start = {
  season: 2027,
  budsLeft: 251,
  wanted: { budsLeft: 208, packOut: { value: 90, unit: '%' } },
  counts: {
    setClusters: 134.5,
    how: {
      budsLeft: { trees: 14, halfWidth: 16.9, by: 'sample' },
      setClusters: { trees: 8, halfWidth: 9, day: '2027-06-03', by: 'sample' },
    },
  },
} as const;

test('what was counted fills in what is open, with how it was counted', () => {
  expect(filled(lineOf({ season: 2027 }, typing), start, typing)).toMatchObject({
    season: '2027',
    budsLeft: '251',
    'wanted.budsLeft': '208',
    'wanted.packOut': '90',
    'counts.setClusters': '134.5',
    'counts.how.setClusters.day': '2027-06-03',
    'counts.how.setClusters.by': 'sample',
  });
});

test('what is typed stays, and is told no other count’s interval', () => {
  const typed = lineOf({ season: 2027, budsLeft: 240 }, typing);
  expect(filled(typed, start, typing)).toMatchObject({
    budsLeft: '240',
    'counts.how.budsLeft.trees': '',
    'counts.how.setClusters.trees': '8',
  });
});

test('where all is told there is nothing to fill in', () => {
  expect(filled(lineOf(start, typing), start, typing)).toBeNull();
  expect(filled(lineOf({ season: 2027, budsLeft: 1 }, typing), { season: 2027, budsLeft: 2 }, typing)).toBeNull();
});
