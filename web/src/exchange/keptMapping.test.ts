import { beforeEach, expect, test, vi } from 'vitest';
import type { FileView, ImportMapping } from '../api/client';
import { asKept, forgetMapping, keepMapping } from './keptMapping';

const mapping = (unit: string, name: string | null): ImportMapping => ({
  table: 'plantings',
  decimal: '.',
  columns: [{ field: 'area', column: 3, unit, unitColumn: null, season: null, package: null, unitFrom: 'open' }],
  values: [{ field: 'variety', written: 'Jonagld', name, lines: 1, isGuess: name === null }],
  leftOut: [],
});
const view = (headers: string[]) => ({ headers, guess: mapping('ac', null) }) as unknown as FileView;

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  });
});

test('what was said of a file holds for the next one with its headings, in its estate', () => {
  keepMapping('one', view(['Block', 'Area']), mapping('ha', 'Jonagold'));
  expect(asKept('one', view(['Block', 'Area']), null).guess).toEqual(mapping('ha', 'Jonagold'));
  expect(asKept('one', view(['Block', 'Size']), null).guess).toEqual(mapping('ac', null));
  expect(asKept('other', view(['Block', 'Area']), null).guess).toEqual(mapping('ac', null));
});

test('another table chosen since is not overruled, and what was taken over is forgotten', () => {
  keepMapping('one', view(['Block']), mapping('ha', 'Jonagold'));
  expect(asKept('one', view(['Block']), 'rows').guess).toEqual(mapping('ac', null));
  forgetMapping('one', view(['Block']));
  expect(asKept('one', view(['Block']), null).guess).toEqual(mapping('ac', null));
});

test('a browser that keeps nothing asks again', () => {
  vi.stubGlobal('sessionStorage', {
    getItem: () => {
      throw new Error('closed');
    },
    setItem: () => {
      throw new Error('closed');
    },
  });
  keepMapping('one', view(['Block']), mapping('ha', 'Jonagold'));
  expect(asKept('one', view(['Block']), null).guess).toEqual(mapping('ac', null));
});
