/** What two people made of one value, differently. */
export interface Clash {
  path: string;
  mine: unknown;
  theirs: unknown;
}

/** Whose value of a clash stands, by its path. */
export type Choices = Record<string, 'mine' | 'theirs'>;

/** Two people's changes to one entry, put together. */
export interface Merged<E> {
  entry: E;
  /** What only a person can settle. */
  clashes: Clash[];
  /** What the other changed and I did not. */
  taken: string[];
}

/**
 * Puts together what two people made of the same entry: what one left as it was, the other may have changed. Lines of a
 * list are known by what they are of (a tree by its place, a season by its year), not by where they stand.
 */
export function merge<E>(base: E, mine: E, theirs: E, choices: Choices = {}): Merged<E> {
  const clashes: Clash[] = [];
  const taken: string[] = [];

  function value(path: string, was: unknown, my: unknown, their: unknown): unknown {
    if (isSame(my, their) || isSame(was, their)) return my;
    if (isSame(was, my)) {
      taken.push(path);
      return their;
    }
    const lists = [was ?? [], my ?? [], their ?? []];
    if (lists.every(isKeyed)) return lines(path, ...(lists.map(byKey) as [Lines, Lines, Lines]));
    if (isParts(my) && isParts(their)) return parts(path, isParts(was) ? was : {}, my, their);
    if (choices[path] === undefined) clashes.push({ path, mine: my, theirs: their });
    return choices[path] === 'theirs' ? their : my;
  }

  function parts(path: string, was: Parts, my: Parts, their: Parts): Parts {
    return Object.fromEntries(
      [...new Set([...Object.keys(my), ...Object.keys(their)])].map((key) => [
        key,
        value(path === '' ? key : `${path}.${key}`, was[key], my[key], their[key]),
      ]),
    );
  }

  // In their order, with what I added behind.
  function lines(path: string, was: Lines, my: Lines, their: Lines): unknown[] {
    return [...new Set([...their.keys(), ...my.keys()])]
      .map((key) => value(`${path}[${key}]`, was.get(key), my.get(key), their.get(key)))
      .filter((line) => line !== undefined);
  }

  return { entry: value('', base, mine, theirs) as E, clashes, taken };
}

type Parts = Record<string, unknown>;
type Lines = Map<string, unknown>;

const isObject = (value: unknown): value is Parts =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

// An amount is one value: its unit alone means nothing.
const isAmount = (value: unknown): value is { value: unknown } => isObject(value) && 'value' in value;
const isParts = (value: unknown): value is Parts => isObject(value) && !isAmount(value);
const isNothing = (value: unknown) => value == null || (isAmount(value) && value.value == null);

/** Whether two values say the same: nothing, an empty amount and none are one. */
export function isSame(one: unknown, other: unknown): boolean {
  if (isNothing(one) || isNothing(other)) return isNothing(one) && isNothing(other);
  if (Array.isArray(one) && Array.isArray(other))
    return one.length === other.length && one.every((item, i) => isSame(item, other[i]));
  if (isObject(one) && isObject(other))
    return [...new Set([...Object.keys(one), ...Object.keys(other)])].every((key) => isSame(one[key], other[key]));
  return one === other;
}

/** What a line of a list is of; empty where nothing tells it from the others. */
function keyOf(line: unknown): string {
  if (!isObject(line)) return '';
  const { season, quantity, name, row, firstTree, tree, kind } = line;
  const told = season ?? quantity ?? name;
  return told !== undefined
    ? String(told as string)
    : [row, tree ?? firstTree, kind].filter((part) => part != null).join('/');
}

function isKeyed(list: unknown): list is unknown[] {
  if (!Array.isArray(list)) return false;
  const keys = list.map(keyOf);
  return keys.every(Boolean) && new Set(keys).size === keys.length;
}

const byKey = (list: unknown): Lines => new Map((list as unknown[]).map((line) => [keyOf(line), line]));
