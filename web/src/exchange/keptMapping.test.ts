import { beforeEach, expect, test, vi } from 'vitest';
import type { FileView, ImportMapping } from '../api/client';
import { forgetMapping, keepMapping, keptMapping } from './keptMapping';

const mapping: ImportMapping = { table: 'plantings', decimal: '.', columns: [], values: [], leftOut: [] };
const view = (headers: string[]) => ({ headers }) as unknown as FileView;

beforeEach(() => {
  const kept = new Map<string, string>();
  vi.stubGlobal('sessionStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
    removeItem: (key: string) => kept.delete(key),
  });
});

test('what was said of a file is there for the next one with its headings, in its estate', () => {
  keepMapping('one', view(['Block', 'Area']), mapping);
  expect(keptMapping('one', view(['Block', 'Area']))).toEqual(mapping);
  expect(keptMapping('one', view(['Block', 'Size']))).toBeNull();
  expect(keptMapping('other', view(['Block', 'Area']))).toBeNull();
  forgetMapping('one', view(['Block', 'Area']));
  expect(keptMapping('one', view(['Block', 'Area']))).toBeNull();
});

test('a browser that keeps nothing asks again', () => {
  const closed = () => {
    throw new Error('closed');
  };
  vi.stubGlobal('sessionStorage', { getItem: closed, setItem: closed });
  keepMapping('one', view(['Block']), mapping);
  expect(keptMapping('one', view(['Block']))).toBeNull();
});
