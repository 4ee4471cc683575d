import { expect, test } from 'vitest';
import type { FieldKit, SeasonLine } from '../api/client';
import { plantingsOf } from './plantingsOf';

const line = (code: string) => ({ id: code, code, name: code, variety: 'Fuji' }) as SeasonLine;
const kit = (code: string) => ({ id: code, kit: { code, name: code, variety: 'Fuji' } as FieldKit });

test('the order stays while kits arrive', () => {
  const season = ['H10', 'H2', 'W1'].map(line);
  const order = (kits: string[]) => plantingsOf(season, kits.map(kit)).map((p) => p.code);
  expect(order([])).toEqual(['H2', 'H10', 'W1']);
  expect(order(['W1'])).toEqual(order(['H10', 'H2', 'W1']));
});

test('without signal what was taken along is there', () => {
  expect(plantingsOf([], [kit('W1'), kit('H2')]).map((p) => p.code)).toEqual(['H2', 'W1']);
  expect(plantingsOf([line('H2')], [kit('H2')])).toHaveLength(1);
});
