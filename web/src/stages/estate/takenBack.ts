import type { ChangeView, PlanEntry } from '../../api/client';
import { setAt, type FormSpec } from '../../entry/draft';
import { isSame } from '../../entry/merge';
import type { Entries, PartName } from '../../planting/parts';
import { settingsSpec } from '../decide/draft';
import { targetSpec } from '../target/draft';
import { plantingSpec } from './draft';

/** A part with one field as it was before a change. */
export interface TakenBack {
  section: PartName;
  entry: Entries[PartName];
}

// Fields of a plan that are kept under another name than they are typed.
const typed: Record<string, string> = {
  boxMass: 'packages.box',
  binMass: 'packages.bin',
  bushelMass: 'packages.bushel',
};

const amount = /^(-?\d+(?:\.\d+)?)(?: (\S+))?$/;

/**
 * What a planting's entry is with a change taken back; null where the change is of no single field of a form, was cut
 * short, or no longer stands.
 */
export function takenBack(change: ChangeView, entry: PlanEntry): TakenBack | null {
  const { subject, season, old } = change;
  if (change.field === '' || old?.endsWith('…')) return null;
  const field = subject === 'plan' ? (typed[change.field] ?? change.field) : change.field;
  if (subject === 'planting' && field in plantingSpec) return set('planting', plantingSpec);
  if (subject !== 'plan' || season !== entry.season) return null;
  if (field in targetSpec) return set('target', targetSpec);
  return field in settingsSpec ? set('settings', settingsSpec) : null;

  function set(section: 'planting' | 'target' | 'settings', spec: FormSpec): TakenBack | null {
    const before = valueOf(old ?? null, spec[field]!);
    const standing = field
      .split('.')
      .reduce<unknown>((at, key) => (at as Record<string, unknown> | null)?.[key], entry[section]);
    // Changed again since: then it is that change which can be taken back.
    if (before === undefined || !isSame(standing, valueOf(change.new ?? null, spec[field]!))) return null;
    const now = structuredClone(entry[section] ?? {}) as Record<string, unknown>;
    setAt(now, field.split('.'), before);
    return { section, entry: now as Entries[PartName] };
  }
}

// Undefined where it is told in a way that cannot be read back, such as a number with an exponent.
function valueOf(told: string | null, kind: FormSpec[string]): unknown {
  if (told === null || kind === 'text' || kind === 'choice') return told;
  const [, number, unit] = amount.exec(told) ?? [];
  if (number === undefined) return undefined;
  return kind === 'number' ? Number(number) : { value: Number(number), unit: unit ?? null };
}
