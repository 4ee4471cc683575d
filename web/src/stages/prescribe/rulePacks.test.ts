import Ajv from 'ajv/dist/2020.js';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const folder = new URL('../../../../src/Rama.Core/Systems/', import.meta.url);
const read = (name: string) => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Record<string, unknown>;
const check = new Ajv({ strict: true, strictTypes: false, strictRequired: false }).compile(
  read('training-system.schema.json'),
);
const packs = readdirSync(new URL('Packs/', folder)).map((name) => `Packs/${name}`);

describe('the published schema of training systems', () => {
  it('has rule packs to hold', () => expect(packs).toContain('Packs/tall-spindle.json'));

  it.each(packs)('accepts %s', (name) => {
    check(read(name));
    expect(check.errors).toBeNull();
  });

  it('refuses a share above one and a misspelt member', () => {
    const pack = structuredClone(read('Packs/tall-spindle.json')) as { system: { caps: Record<string, unknown> } };
    pack.system.caps = { ...pack.system.caps, shareOfBuds: 1.5, sauce: 'x' };
    expect(check(pack)).toBe(false);
  });
});
