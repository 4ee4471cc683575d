import { Button } from 'antd';
import { useRef, type ClipboardEvent, type KeyboardEvent, type ReactNode } from 'react';
import { countColumns, emptyRow, isEmptyRow, type CountColumn, type CountDraft, type CountRow } from '../../planting/sections';
import { useReading } from '../../words/useReading';
import { paste } from './paste';

interface CountTableProps {
  draft: CountDraft;
  onRows: (rows: CountRow[]) => void;
  problem: (field: string) => string | undefined;
  girthUnit: ReactNode;
}

/**
 * The counting sheet. There is always an empty line to type into; Enter goes down a tree, arrows move, and cells copied
 * from a spreadsheet are pasted over as many lines as they hold.
 */
export function CountTable({ draft, onRows, problem, girthUnit }: CountTableProps) {
  const { t } = useReading();
  const table = useRef<HTMLTableElement>(null);
  const rows = [...draft.rows, emptyRow];
  const set = (index: number, column: CountColumn, text: string) => {
    onRows(rows.map((row, i) => (i === index ? { ...row, [column]: text } : row)).filter((row, i) => i < draft.rows.length || !isEmptyRow(row)));
  };
  const focus = (row: number, column: number) => {
    // The line may only come to be with the next render.
    requestAnimationFrame(() => {
      const cell = table.current?.querySelector<HTMLInputElement>(`[data-cell="${row}-${column}"]`);
      cell?.focus();
      cell?.select();
    });
  };
  const press = (e: KeyboardEvent<HTMLInputElement>, row: number, column: number) => {
    const input = e.currentTarget;
    const atStart = input.selectionStart === 0 && input.selectionEnd === 0;
    const atEnd = input.selectionStart === input.value.length;
    const to = {
      Enter: column === countColumns.length - 1 ? [row + 1, 0] : [row, column + 1],
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
    const next = paste(rows, e.clipboardData.getData('text'), row, column);
    if (!next) return;
    e.preventDefault();
    onRows(next);
  };
  // Problems count lines as they are sent, without the empty ones.
  let line = -1;
  return (
    <table className="count-table" ref={table}>
      <thead>
        <tr>
          <th className="count-line" aria-label={t('count.line')} />
          <th>{t('count.row')}</th>
          <th>{t('count.tree')}</th>
          <th><span className="count-girth">{t('count.girth')} {girthUnit}</span></th>
          <th>{t('count.limbs-short')}</th>
          <th>{t(draft.mode === 'all' ? 'count.all-short' : 'count.floral-short')}</th>
          <th aria-label={t('count.remove')} />
        </tr>
      </thead>
      <tbody>
        {rows.map((row, i) => {
          const empty = isEmptyRow(row);
          if (!empty) line++;
          const problems = empty ? [] : countColumns.map((column) => problem(`trees[${line}].${fieldOf(column, draft.mode)}`));
          return (
            <tr key={i}>
              <td className="count-line dim">{i + 1}</td>
              {countColumns.map((column, c) => (
                <td key={column}>
                  <input className="count-cell" data-cell={`${i}-${c}`} data-field={`count.trees[${i}].${column}`} value={row[column]} inputMode="decimal" autoComplete="off"
                    aria-label={`${t(`count.${column === 'buds' ? (draft.mode === 'all' ? 'all-short' : 'floral-short') : column === 'limbs' ? 'limbs-short' : column}`)}, ${t('count.line')} ${i + 1}`}
                    aria-invalid={problems[c] ? true : undefined} aria-describedby={problems[c] ? `count-problem-${i}` : undefined}
                    onChange={(e) => { set(i, column, e.target.value); }} onKeyDown={(e) => { press(e, i, c); }} onPaste={(e) => { pasted(e, i, c); }} />
                </td>
              ))}
              <td className="count-side">
                {!empty && i < draft.rows.length && (
                  <Button type="text" size="small" aria-label={`${t('count.remove')} ${i + 1}`} onClick={() => { onRows(draft.rows.filter((_, other) => other !== i)); }}>×</Button>
                )}
                {problems.some(Boolean) && <p className="field-problem" id={`count-problem-${i}`} role="alert">{[...new Set(problems.filter(Boolean))].join(' ')}</p>}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** The name the API knows a column by. */
function fieldOf(column: CountColumn, mode: CountDraft['mode']) {
  return column === 'buds' && mode === 'floral' ? 'floralBuds' : column;
}
