/** The heading of a column that a report can be sorted by, the most first. */
export function SortHead<C extends string>({
  column,
  sorted,
  onSort,
  label,
}: {
  column: C;
  sorted: C | null;
  onSort: (column: C | null) => void;
  label: string;
}) {
  const on = sorted === column;
  return (
    <th className="number" aria-sort={on ? 'descending' : undefined}>
      <button
        type="button"
        className="winter-sort"
        onClick={() => {
          onSort(on ? null : column);
        }}
      >
        {label}
        {on && ' ↓'}
      </button>
    </th>
  );
}

/** Lines with the most first; nothing known comes last. */
export function mostFirst<T>(lines: readonly T[], value: ((line: T) => number | null) | null): readonly T[] {
  return value ? [...lines].sort((a, b) => (value(b) ?? -Infinity) - (value(a) ?? -Infinity)) : lines;
}
