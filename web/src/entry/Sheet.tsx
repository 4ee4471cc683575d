import { Button } from 'antd';
import { useRef, type ClipboardEvent, type CSSProperties, type KeyboardEvent, type ReactNode } from 'react';
import { useReading } from '../words/useReading';
import type { Option } from './Choice';
import { isEmptyLine, paste, type Line } from './paste';
import './sheet.css';

/** A column of a sheet. */
export interface SheetColumn {
  key: string;
  label: string;
  /** What stands beside the label, such as a choice of unit. */
  beside?: ReactNode;
  /** The name the API knows the field by, where it is another. */
  field?: string;
  /** Options, for a cell that is chosen and not typed. */
  options?: Option[];
  /** Share of the width, in columns of a number. */
  wide?: number;
  /** Text instead of a number. */
  text?: boolean;
}

interface SheetProps {
  /** Path of the lines, for tests and for finding the first one in trouble. */
  path: string;
  columns: SheetColumn[];
  lines: Line[];
  onLines: (lines: Line[]) => void;
  /** What is wrong at a field of a line; lines are counted as they are sent, without the empty ones. */
  problem: (line: number, field: string) => string | undefined;
  /** What a new line starts with. */
  blank?: Line;
  /** Whether the columns need the width, so that problems go below their line instead of beside it. */
  full?: boolean;
}

/**
 * Lines of entries like in a spreadsheet. There is always an empty line to type into; Enter goes on from cell to cell,
 * arrows move, and cells copied from a spreadsheet are pasted over as many lines as they hold.
 */
export function Sheet({ path, columns, lines, onLines, problem, blank = {}, full = false }: SheetProps) {
  const { t } = useReading();
  const table = useRef<HTMLTableElement>(null);
  // A chosen unit alone does not make a line.
  const typed = columns.filter((c) => !c.options).map((c) => c.key);
  const isEmpty = (line: Line) => isEmptyLine(line, typed);
  const all = columns.reduce((sum, c) => sum + (c.wide ?? 1), 0);
  const rows = [...lines, blank];
  const set = (index: number, column: string, text: string) => {
    onLines(
      rows
        .map((line, i) => (i === index ? { ...line, [column]: text } : line))
        .filter((line, i) => i < lines.length || !isEmpty(line)),
    );
  };
  // At once: what is typed before the next frame would land in the cell that was left. What was typed is drawn by then,
  // a new line too.
  const focus = (row: number, column: number) => {
    const cell = table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}-${column}"]`);
    cell?.focus();
    if (cell?.tagName === 'INPUT') cell.select();
  };
  const press = (e: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const input = e.currentTarget;
    const atStart = input.selectionStart === 0 && input.selectionEnd === 0;
    const atEnd = input.selectionStart === input.value.length;
    const to = {
      Enter: column === columns.length - 1 ? [row + 1, 0] : [row, column + 1],
      ArrowDown: [row + 1, column],
      ArrowUp: [row - 1, column],
      ArrowLeft: atStart ? [row, column - 1] : null,
      ArrowRight: atEnd ? [row, column + 1] : null,
    }[e.key];
    if (!to) return;
    e.preventDefault();
    focus(to[0]!, to[1]!);
  };
  const pasted = (e: ClipboardEvent, row: number, column: number) => {
    const next = paste(
      rows,
      columns.map((c) => c.key),
      e.clipboardData.getData('text'),
      row,
      column,
    );
    if (!next) return;
    e.preventDefault();
    onLines(next.filter((line) => !isEmpty(line)));
  };
  let sent = -1;
  return (
    <table
      className={full ? 'entry-sheet sheet-full' : 'entry-sheet'}
      ref={table}
      style={{ '--columns': columns.length } as CSSProperties}
    >
      <colgroup>
        <col className="sheet-number" />
        {columns.map((c) => (
          <col key={c.key} style={{ width: `${((c.wide ?? 1) / all) * (full ? 92 : 70)}%` }} />
        ))}
        <col className="sheet-side-column" />
      </colgroup>
      <thead>
        <tr>
          <td />
          {columns.map((c) =>
            // What is chosen beside an amount says itself what it is.
            c.options ? (
              <td key={c.key}>{c.beside}</td>
            ) : (
              <th key={c.key} className={c.text ? 'sheet-text' : ''}>
                <span className="sheet-label">
                  {c.label} {c.beside}
                </span>
              </th>
            ),
          )}
          <td />
        </tr>
      </thead>
      <tbody>
        {rows.map((line, i) => {
          const empty = isEmpty(line);
          if (!empty) sent++;
          const at = sent;
          const problems = empty ? [] : columns.map((c) => problem(at, c.field ?? c.key));
          return (
            <tr key={i}>
              <td className="sheet-number dim">{i + 1}</td>
              {columns.map((c, place) => {
                const shared = {
                  className: c.text ? 'sheet-cell sheet-text' : 'sheet-cell',
                  'data-cell': `${i}-${place}`,
                  'data-field': `${path}[${i}].${c.key}`,
                  value: line[c.key] ?? '',
                  'aria-label': `${c.label}, ${t('sheet.line')} ${i + 1}`,
                  'aria-invalid': problems[place] ? true : undefined,
                  'aria-describedby': problems[place] ? `sheet-problem-${i}` : undefined,
                } as const;
                return (
                  <td key={c.key}>
                    {c.options ? (
                      <select
                        {...shared}
                        onChange={(e) => {
                          set(i, c.key, e.target.value);
                        }}
                      >
                        {c.options.map((o) => (
                          <option key={o.value} value={o.value}>
                            {o.label}
                          </option>
                        ))}
                      </select>
                    ) : (
                      <input
                        {...shared}
                        inputMode={c.text ? 'text' : 'decimal'}
                        autoComplete="off"
                        onChange={(e) => {
                          set(i, c.key, e.target.value);
                        }}
                        onKeyDown={(e) => {
                          press(e, i, place);
                        }}
                        onPaste={(e) => {
                          pasted(e, i, place);
                        }}
                      />
                    )}
                  </td>
                );
              })}
              <td className="sheet-side">
                {!empty && i < lines.length && (
                  <Button
                    type="text"
                    size="small"
                    aria-label={`${t('sheet.remove')} ${i + 1}`}
                    onClick={() => {
                      onLines(lines.filter((_, other) => other !== i));
                    }}
                  >
                    ×
                  </Button>
                )}
                {problems.some(Boolean) && (
                  <p className="field-problem" id={`sheet-problem-${i}`} role="alert">
                    {[...new Set(problems.filter(Boolean))].join(' ')}
                  </p>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
