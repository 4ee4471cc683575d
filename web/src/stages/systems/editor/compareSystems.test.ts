import { describe, expect, it } from 'vitest';
import type { TrainingSystem } from '../../../api/client';
import { differences } from './compareSystems';

const system = (steps: TrainingSystem['steps'], settings: object[] = []) =>
  ({ steps, settings, terms: {}, caps: {} }) as unknown as TrainingSystem;
const newStep = (id: string, name: string): TrainingSystem['steps'][number] => ({
  id,
  under: ['reduce'],
  find: 'limbs',
  first: 'diameter down',
  most: '1',
  per: 'tree',
  limits: [],
  cut: { kind: 'collar', leave: null },
  stop: 'band',
  secondsEach: 10,
  name: { en: name, es: name },
  lookFor: { en: '', es: '' },
  how: { en: '', es: '' },
  why: { en: '', es: '' },
  because: { en: '', es: '' },
  caution: null,
  source: '',
  tooMuch: 'skip',
  pass: 'detail',
});
const [a, b, c] = [newStep('a', 'A'), newStep('b', 'B'), newStep('c', 'C')];

describe('systems compared', () => {
  it('are alike with themselves', () => {
    expect(differences(system([a, b]), system([a, b]))).toEqual([]);
  });

  it('differ in steps added, left out, changed and moved', () => {
    const now = system([b, { ...a, find: 'limbs where upright' }, c]);
    const told = differences(now, system([a, b, newStep('d', 'D')])).map((d) => `${d.kind} ${d.name?.en}`);
    expect(told.sort()).toEqual(['added C', 'changed A', 'gone D', 'moved A', 'moved B']);
  });

  it('differ in named rules, caps and whatever else, which is said too', () => {
    const other = { ...system([a]), terms: { thick: 'diameter > 2 cm' }, caps: { bigCuts: 2 }, crops: ['apple'] };
    const now = { ...system([a]), terms: {}, caps: { bigCuts: 3 }, crops: ['pear'] };
    const told = differences(now as unknown as TrainingSystem, other as unknown as TrainingSystem);
    expect(told.map((d) => `${d.kind} ${d.parts[0]!.part}`)).toEqual(['gone rule', 'changed bigCuts', 'changed crops']);
  });

  it('differ in numbers, each with its unit', () => {
    const setting = {
      id: 'big',
      value: 22,
      unit: 'mm',
      least: 15,
      most: 30,
      tries: [],
      name: { en: 'Big', es: 'Gruesa' },
    };
    const [told] = differences(system([a], [{ ...setting, value: 25 }]), system([a], [setting]));
    expect(told!.parts).toEqual([{ part: 'value', was: '22 mm (15–30)', is: '25 mm (15–30)' }]);
  });
});
