import { describe, expect, it } from 'vitest';
import { readDraft, toDraft, type FormSpec } from './draft';

const spec: FormSpec = { name: 'text', year: 'number', spacing: { amount: 'm' }, 'packages.box': { amount: 'kg' } };
const entry = {
  name: 'Long Acre',
  year: 2018,
  spacing: { value: 3.5, unit: 'm' },
  packages: { box: { value: null, unit: 'lb' } },
};

describe('a form draft', () => {
  it.each(['en', 'es'] as const)('reads back what it shows in %s', (language) =>
    expect(readDraft(spec, toDraft(spec, entry, { language, system: 'metric' }), language)).toEqual({
      entry,
      unreadable: [],
    }),
  );

  it('shows decimals as the language writes them', () =>
    expect(toDraft(spec, entry, { language: 'es', system: 'metric' })['spacing']).toEqual({ text: '3,5', unit: 'm' }));

  it.each([
    ['metric', 'm'],
    ['us', 'ft'],
  ] as const)('starts an untouched amount in the first unit of the %s system', (system, unit) =>
    expect(toDraft(spec, { spacing: null }, { language: 'en', system })['spacing']).toEqual({ text: '', unit }),
  );

  it('keeps what was typed in its own unit for whoever reads it', () =>
    expect(toDraft(spec, entry, { language: 'en', system: 'us' })['spacing']).toEqual({ text: '3.5', unit: 'm' }));

  it('keeps what is no number out of the entry and names its field', () => {
    const draft = {
      ...toDraft(spec, entry, { language: 'en', system: 'metric' }),
      spacing: { text: 'three', unit: 'm' },
    };
    expect(readDraft(spec, draft, 'en')).toEqual({
      entry: { ...entry, spacing: { value: null, unit: 'm' } },
      unreadable: ['spacing'],
    });
  });

  it('sends nothing for a choice not made', () => {
    const choice: FormSpec = { 'insurance.school': 'choice' };
    expect(readDraft(choice, toDraft(choice, {}, { language: 'en', system: 'metric' }), 'en').entry).toEqual({
      insurance: { school: null },
    });
    expect(readDraft(choice, { 'insurance.school': { text: 'fixed' } }, 'en').entry).toEqual({
      insurance: { school: 'fixed' },
    });
  });
});
