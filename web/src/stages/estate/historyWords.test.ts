import { expect, test } from 'vitest';
import type { ChangeView } from '../../api/client';
import { formatNumber } from '../../units/format';
import { fieldName, grouped, inWords } from './historyWords';

const words = {
  t: (key: string, values?: Record<string, unknown>) =>
    ({ 'field.area': 'Superficie', 'school.fixed': 'Un factor fijo', 'field.setShare': 'Cuajado' })[key] ??
    (values?.['defaultValue'] as string),
  number: (value: number) => formatNumber(value, 'es'),
  unitName: (unit: string) => (unit === 't/ha' ? 't/ha' : unit),
  day: (day: Date) => `${day.getDate()}.${day.getMonth() + 1}.`,
};

test('values are written as the reader writes them', () => {
  expect(inWords('area', '2.5 ha', words)).toBe('2,5 ha');
  expect(inWords('yearPlanted', '2018', words)).toBe('2018');
  expect(inWords('greenTip', '2026-03-14', words)).toBe('14.3.');
  expect(inWords('insurance.school', 'fixed', words)).toBe('Un factor fijo');
  expect(inWords('name', '12 Apostles', words)).toBe('12 Apostles');
  expect(inWords('', 'area: 1.5 ha; name: Long Acre', words)).toBe('Superficie: 1,5 ha; name: Long Acre');
});

test('a field goes by its last part where it must', () => {
  expect(fieldName('insurance.setShare', words.t)).toBe('Cuajado');
  expect(fieldName('limbSizes[21].area', words.t)).toBe('limbSizes 21 · Superficie');
});

test('an import is one line, and so is a save of one thing', () => {
  const change = (batch: string | null, detail: string) => ({ batch, detail }) as ChangeView;
  const lines = grouped([
    change('a', '1'),
    change('a', '2'),
    change(null, '3'),
    change(null, '3'),
    change(null, '4'),
    change('a', '5'),
  ]);
  expect(lines.map((l) => l.length)).toEqual([2, 2, 1, 1]);
});
