import type {
  BudCutEntry,
  CropCountEntry,
  CountedTreeEntry,
  FieldEntry,
  ReworkNews,
  TreeCheckEntry,
  VigourMarkEntry,
  WorkReportEntry,
} from '../api/client';

/** What each kind of entry tells. A new kind is a line here, and a handler on the server. */
export interface FieldBodies {
  tree: CountedTreeEntry;
  /** Why the tree was left out. */
  skip: string;
  cut: BudCutEntry;
  mark: VigourMarkEntry;
  rework: ReworkNews;
  work: WorkReportEntry;
  check: TreeCheckEntry;
  crop: CropCountEntry;
}

export type FieldKind = keyof FieldBodies;

/** Something told, in the form of its kind. */
export type Told = { [K in FieldKind]: { kind: K; body: FieldBodies[K] } }[FieldKind];

/** Where a queue filled before there were kinds has its bodies. */
const before: Partial<Record<FieldKind, 'counted' | 'skipReason' | 'cut' | 'mark'>> = {
  tree: 'counted',
  skip: 'skipReason',
  cut: 'cut',
  mark: 'mark',
};

/** What an entry of a kind tells; null for one of another kind. */
export function bodyOf<K extends FieldKind>(entry: Partial<FieldEntry>, kind: K): FieldBodies[K] | null {
  const old = before[kind];
  const body = entry.kind == null ? old && entry[old] : entry.kind === kind ? entry.body : null;
  return (body ?? null) as FieldBodies[K] | null;
}
