import type { SystemPack } from '../../../api/client';

export type Words = SystemPack['words'];
export type Choices = SystemPack['choices'];
export type RuleWord = Words[string][number];

/** What a rule about a subject may name: its own words and those of the tree. */
export function wordsOf(words: Words, subject: string): RuleWord[] {
  const own = words[subject] ?? [];
  const tree = words.tree ?? [];
  return [...own, ...tree.filter((w) => !own.some((o) => o.name === w.name))];
}

export const subjectOf = (find: string) => find.split(' ', 1)[0] ?? '';

/** The rule with another subject; its condition stays. */
export const withSubject = (find: string, subject: string) => subject + find.slice(subjectOf(find).length);

/** The rule with one more condition that has to be met. */
export function withCondition(find: string, condition: string): string {
  const text = find.trim();
  if (!/\swhere\s/.test(`${text} `)) return `${text} where ${condition}`;
  // "or" binds less than "and": what stood there is kept together.
  const [subject, ...rest] = text.split(' where ');
  const before = rest.join(' where ');
  return / or /.test(before) ? `${subject} where (${before}) and ${condition}` : `${text} and ${condition}`;
}

/** The order with one more key, after those it has. */
export const withKey = (first: string, key: string) => (first.trim() === '' ? key : `${first.trim()}, ${key}`);

/** An identifier nothing else in a list has. */
export function freeId(wanted: string, taken: readonly string[]): string {
  const base =
    wanted
      .toLowerCase()
      .normalize('NFD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^[^a-z]+|-+$/g, '')
      .slice(0, 50) || 'own';
  if (!taken.includes(base)) return base;
  for (let i = 2; ; i++) if (!taken.includes(`${base}-${i}`)) return `${base}-${i}`;
}
