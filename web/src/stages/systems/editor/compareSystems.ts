import type { TrainingSystem } from '../../../api/client';

type Step = TrainingSystem['steps'][number];

/** How one system differs from another at one place. */
export interface Difference {
  kind: 'added' | 'gone' | 'moved' | 'changed';
  /** Name of the step, number or rule; null for a part of the whole. */
  name: { en: string; es: string } | null;
  /** What differs, and how it was and is. */
  parts: { part: string; was: string; is: string }[];
}

const PARTS: readonly (readonly [string, (step: Step) => string])[] = [
  ['find', (s) => s.find],
  ['first', (s) => s.first],
  ['most', (s) => s.most ?? '–'],
  ['kind', (s) => s.cut.kind],
  ['leave', (s) => s.cut.leave ?? '–'],
  ['per', (s) => s.per],
  ['stop', (s) => s.stop],
  ['pass', (s) => s.pass ?? 'detail'],
  ['limits', (s) => s.limits.map((l) => `${l.where}: ${l.most}`).join('; ') || '–'],
  ['seconds', (s) => `${s.secondsEach} s`],
  ['words', (s) => [s.name, s.lookFor, s.how, s.why, s.because].map((w) => `${w.en} / ${w.es}`).join(' · ')],
  ['under', (s) => s.under.join(', ')],
  ['too-much', (s) => s.tooMuch ?? 'skip'],
];

/** Parts told as one: that they differ, not how. */
const REST = [
  'crops',
  'aim',
  'form',
  'labour',
  'questions',
  'keepOff',
  'passes',
  'training',
  'sides',
  'renewal',
] as const;

/** Step by step and number by number, what of a system is not as in another. */
export function differences(system: TrainingSystem, other: TrainingSystem): Difference[] {
  const found: Difference[] = [];
  const shared = other.steps.map((s) => s.id).filter((id) => system.steps.some((s) => s.id === id));
  const order = system.steps.map((s) => s.id).filter((id) => shared.includes(id));
  for (const step of system.steps) {
    const was = other.steps.find((s) => s.id === step.id);
    if (!was) {
      found.push({ kind: 'added', name: step.name, parts: [{ part: 'find', was: '–', is: step.find }] });
      continue;
    }
    const parts = PARTS.map(([part, of]) => ({ part, was: of(was), is: of(step) })).filter((p) => p.was !== p.is);
    if (parts.length > 0) found.push({ kind: 'changed', name: step.name, parts });
    const [before, now] = [shared.indexOf(step.id), order.indexOf(step.id)];
    if (before !== now)
      found.push({
        kind: 'moved',
        name: step.name,
        parts: [{ part: 'order', was: String(before + 1), is: String(now + 1) }],
      });
  }
  for (const step of other.steps)
    if (!system.steps.some((s) => s.id === step.id))
      found.push({ kind: 'gone', name: step.name, parts: [{ part: 'find', was: step.find, is: '–' }] });
  for (const setting of system.settings) {
    const was = other.settings.find((s) => s.id === setting.id);
    const told = (s: typeof setting | undefined) =>
      s ? `${s.value} ${s.unit} (${s.least}–${s.most}${s.tries.length > 0 ? `: ${s.tries.join(' ')}` : ''})` : '–';
    if (told(was) !== told(setting))
      found.push({
        kind: was ? 'changed' : 'added',
        name: setting.name,
        parts: [{ part: 'value', was: told(was), is: told(setting) }],
      });
  }
  for (const setting of other.settings)
    if (!system.settings.some((s) => s.id === setting.id))
      found.push({
        kind: 'gone',
        name: setting.name,
        parts: [{ part: 'value', was: `${setting.value} ${setting.unit}`.trim(), is: '–' }],
      });
  for (const term of new Set([...Object.keys(other.terms), ...Object.keys(system.terms)])) {
    const [was, is] = [other.terms[term], system.terms[term]];
    if (was !== is)
      found.push({
        kind: was === undefined ? 'added' : is === undefined ? 'gone' : 'changed',
        name: { en: term, es: term },
        parts: [{ part: 'rule', was: was ?? '–', is: is ?? '–' }],
      });
  }
  for (const cap of Object.keys(system.caps) as (keyof TrainingSystem['caps'])[])
    if (system.caps[cap] !== other.caps[cap])
      found.push({
        kind: 'changed',
        name: null,
        parts: [{ part: cap, was: String(other.caps[cap]), is: String(system.caps[cap]) }],
      });
  for (const part of REST)
    if (JSON.stringify(system[part] ?? null) !== JSON.stringify(other[part] ?? null))
      found.push({ kind: 'changed', name: null, parts: [{ part, was: '', is: '' }] });
  return found;
}
