import { expect, it } from 'vitest';
import enPages from '../words/en-pages.json';
import enFirst from '../words/en.json';
import es from '../words/es.json';
import { benchKeys, crewPlanKeys, marginKeys, rowSheetKeys, seasonKeys, shellKeys, tallyKeys } from './ofPages';

const everywhere = [shellKeys, seasonKeys, benchKeys, tallyKeys, crewPlanKeys, rowSheetKeys, marginKeys];
import { keysOf, type ToldKeys } from './told';

const all = (...told: ToldKeys[]) => told.flatMap((t) => t.lines).flatMap(keysOf);

it.each([
  ['season', [shellKeys, seasonKeys]],
  ['bench', [shellKeys, benchKeys]],
  ['crew plan', [shellKeys, crewPlanKeys]],
  ['row sheet', [shellKeys, rowSheetKeys]],
  ['target desk', [shellKeys, marginKeys]],
  // In the row there is no frame but the sheet itself.
  ['tally', [tallyKeys]],
])('no key of the %s page means two things', (_, told) => {
  const keys = all(...told);
  expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
});

it('tells each key a stretch means', () => expect(keysOf(['1–5 7', ''])).toEqual(['1', '2', '3', '4', '5', '7']));

it.each([
  ['English', { ...enFirst, ...enPages }],
  ['Spanish', es],
])('has the words of the sheet in %s', (_, words) => {
  for (const { title, lines } of everywhere)
    for (const word of [title, ...lines.map(([, does]) => does)]) expect(words).toHaveProperty([word]);
});
