import Ajv from 'ajv/dist/2020.js';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const read = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../../../src/Rama.Core/Crops/${name}`, import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;
const check = new Ajv({ strict: true, strictTypes: false, strictRequired: false }).compile(
  read('catalogue.schema.json'),
);
interface Variety {
  name: string;
  setShare: { value: number; source?: string };
}

describe('the published schema of the catalogue', () => {
  it('accepts the shipped catalogue', () => {
    check(read('catalogue.json'));
    expect(check.errors).toBeNull();
  });

  it('refuses a number without its source, and one out of range', () => {
    for (const share of [{ value: 0.5 }, { value: 1.5, source: 'somewhere' }]) {
      const catalogue = read('catalogue.json') as unknown as { varieties: Variety[] };
      catalogue.varieties[0]!.setShare = share;
      expect(check(catalogue)).toBe(false);
    }
  });
});
