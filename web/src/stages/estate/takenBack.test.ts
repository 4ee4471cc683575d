import { expect, test } from 'vitest';
import type { ChangeView, PlanEntry } from '../../api/client';
import { takenBack } from './takenBack';

const entry = {
  season: 2027,
  planting: { code: 'H2', name: 'Long Acre', yearPlanted: 2016, area: { value: 2.5, unit: 'ha' } },
  target: {
    yield: { value: 55, unit: 't/ha' },
    budFactor: 1.7,
    packages: { box: { value: 18, unit: 'kg' } },
    insurance: { reached: { value: 90, unit: '%' } },
  },
  settings: { tolerance: { value: 10, unit: '%' } },
} as unknown as PlanEntry;

const change = (field: string, old: string | null, now: string | null, of: Partial<ChangeView> = {}) =>
  ({ subject: 'plan', season: 2027, detail: '', field, old, new: now, ...of }) as ChangeView;

test('a field goes back to what stood before, and nothing else', () => {
  const back = takenBack(change('yield', '48.5 t/ha', '55 t/ha'), entry);
  expect(back?.section).toBe('target');
  expect(back?.entry).toEqual({ ...entry.target, yield: { value: 48.5, unit: 't/ha' } });
  expect(entry.target?.yield?.value).toBe(55);
  expect(takenBack(change('budFactor', null, '1.7'), entry)?.entry).toMatchObject({ budFactor: null });
  expect(takenBack(change('insurance.reached', '80 %', '90 %'), entry)?.entry).toMatchObject({
    insurance: { reached: { value: 80, unit: '%' } },
  });
});

test('fields are found wherever they are typed', () => {
  expect(takenBack(change('boxMass', '12 kg', '18 kg'), entry)?.entry).toMatchObject({
    packages: { box: { value: 12, unit: 'kg' } },
  });
  expect(takenBack(change('tolerance', '15 %', '10 %'), entry)?.section).toBe('settings');
  const planting = { subject: 'planting', season: null } as Partial<ChangeView>;
  expect(takenBack(change('name', 'Short Acre', 'Long Acre', planting), entry)?.entry).toMatchObject({
    name: 'Short Acre',
  });
  expect(takenBack(change('yearPlanted', '2015', '2016', planting), entry)?.entry).toMatchObject({ yearPlanted: 2015 });
});

test('what changed again since, is of another season or of a whole line cannot go back by itself', () => {
  expect(takenBack(change('yield', '48 t/ha', '50 t/ha'), entry)).toBeNull();
  expect(takenBack(change('yield', '48 t/ha', '55 t/ha', { season: 2026 }), entry)).toBeNull();
  expect(takenBack(change('', null, 'yield: 55 t/ha'), entry)).toBeNull();
  expect(takenBack(change('name', 'A very long na…', 'Long Acre', { subject: 'planting' }), entry)).toBeNull();
  expect(takenBack(change('floralBuds', '200', '210', { subject: 'countedTree', detail: '1/7' }), entry)).toBeNull();
  // What a long number was cannot be read back, and an emptied field is not one that was never filled.
  expect(takenBack(change('budFactor', '1E-05', '1.7'), entry)).toBeNull();
  expect(takenBack(change('insurance.reason', 'a wet spring', null), entry)?.entry).toMatchObject({
    insurance: { reason: 'a wet spring' },
  });
});
