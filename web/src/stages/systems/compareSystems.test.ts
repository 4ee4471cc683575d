import { describe, expect, it } from 'vitest';
import type { TrainingSystem } from '../../api/client';
import { differences } from './compareSystems';
import { newStep } from './ruleText';

const system = (steps: TrainingSystem['steps'], settings: object[] = []) =>
  ({ steps, settings }) as unknown as TrainingSystem;
const [a, b, c] = [newStep('a', 'A'), newStep('b', 'B'), newStep('c', 'C')];

describe('systems compared', () => {
  it('are alike with themselves', () => {
    expect(differences(system([a, b]), system([a, b]))).toEqual([]);
  });

  it('differ in steps added, left out, changed and moved', () => {
    const now = system([b, { ...a, find: 'limbs where upright' }, c]);
    const told = differences(now, system([a, b, newStep('d', 'D')])).map((d) => `${d.kind} ${d.name.en}`);
    expect(told.sort()).toEqual(['added C', 'changed A', 'gone D', 'moved A', 'moved B']);
  });

  it('differ in numbers, each with its unit', () => {
    const setting = { id: 'big', value: 22, unit: 'mm', name: { en: 'Big', es: 'Gruesa' } };
    const [told] = differences(system([a], [{ ...setting, value: 25 }]), system([a], [setting]));
    expect(told!.parts).toEqual([{ part: 'value', was: '22 mm', is: '25 mm' }]);
  });
});
