import { useState } from 'react';
import type { FileView, ImportMapping, LeftOutLine } from '../api/client';
import { useReading } from '../words/useReading';
import { readNumbers, writeNumbers } from '../entry/numberList';
import { useFieldName } from './fieldName';
import { useNames } from './useNames';

/** What Rama does with the rest of the file: names it understood, lines and columns it does not read. */
export function FileFacts({
  view,
  mapping,
  keepsFree,
  onMapping,
}: {
  view: FileView;
  mapping: ImportMapping;
  /** Whether columns that fill nothing can be kept. */
  keepsFree: boolean;
  onMapping: (mapping: ImportMapping) => void;
}) {
  const { t } = useReading();
  const used = new Set(mapping.columns.flatMap((c) => [c.column, c.unitColumn]));
  const unused = view.headers.map((header, column) => ({ header, column })).filter((h) => h.header !== '');
  const spare = unused.filter((h) => !used.has(h.column));
  const kept = mapping.columns.filter((c) => isFree(c.field));
  const known = mapping.values.filter((v) => !v.isGuess && v.name !== null);
  return (
    <div className="import-facts">
      {view.titles.length > 0 && (
        <p className="small dim">
          {t('import.above')} {view.titles.map((title) => `“${title}”`).join(' ')}
        </p>
      )}
      {known.length > 0 && (
        <details>
          <summary>{t('import.names', { count: known.length })}</summary>
          <ul>
            {known.map((v) => (
              <KnownName key={`${v.field} ${v.written}`} field={v.field} written={v.written} name={v.name!} />
            ))}
          </ul>
        </details>
      )}
      {view.leftOut.length > 0 && (
        <details data-test="left-out">
          <summary>{t('import.left-out', { count: mapping.leftOut.length })}</summary>
          <ul>
            {view.leftOut.map((line) => (
              <Left
                key={line.line}
                line={line}
                isLeft={mapping.leftOut.includes(line.line)}
                onLeft={(left) => {
                  const others = mapping.leftOut.filter((l) => l !== line.line);
                  onMapping({ ...mapping, leftOut: left ? [...others, line.line] : others });
                }}
              />
            ))}
          </ul>
        </details>
      )}
      <LeaveOut mapping={mapping} onMapping={onMapping} />
      {(spare.length > 0 || kept.length > 0) && (
        <div className="small" data-test="unused">
          {spare.length > 0 && (
            <>
              {t('import.unused', { count: spare.length })} <strong>{spare.map((h) => h.header).join(', ')}</strong>
            </>
          )}
          {keepsFree && (
            <details open={kept.length > 0} data-test="keep-columns">
              <summary>{t('import.keep', { count: kept.length })}</summary>
              <ul>
                {unused
                  .filter((h) => !used.has(h.column) || kept.some((c) => c.column === h.column))
                  .map(({ header, column }) => (
                    <li key={column}>
                      <label>
                        <input
                          type="checkbox"
                          checked={kept.some((c) => c.column === column)}
                          onChange={(e) => {
                            onMapping(keeping(mapping, header, column, e.target.checked));
                          }}
                        />{' '}
                        {header}{' '}
                        <span className="dim">
                          {view.samples
                            .map((line) => line[column])
                            .filter(Boolean)
                            .slice(0, 3)
                            .join(' · ')}
                        </span>
                      </label>
                    </li>
                  ))}
              </ul>
            </details>
          )}
        </div>
      )}
    </div>
  );
}

const isFree = (field: string) => field.startsWith('free:');

/** A mapping that keeps a column as it is, or no longer does. */
function keeping(mapping: ImportMapping, header: string, column: number, keep: boolean): ImportMapping {
  const others = mapping.columns.filter((c) => !(isFree(c.field) && c.column === column));
  const field = `free:${header.trim().replace(/\s+/g, ' ').slice(0, 40).trim()}`;
  const free = { field, column, unit: null, unitColumn: null, season: null, package: null, unitFrom: null };
  return { ...mapping, columns: keep ? [...others, free] : others };
}

/** Any line can be left out by its number. */
function LeaveOut({ mapping, onMapping }: { mapping: ImportMapping; onMapping: (mapping: ImportMapping) => void }) {
  const { t } = useReading();
  const [typed, setTyped] = useState<string | null>(null);
  const isWrong = typed !== null && readNumbers(typed) === null;
  return (
    <label className="small import-leave-out">
      {t('import.leave-out')}{' '}
      <input
        className="import-typed"
        value={typed ?? writeNumbers(mapping.leftOut)}
        placeholder="3, 17-19"
        aria-invalid={isWrong || undefined}
        data-test="leave-out"
        onChange={(e) => {
          setTyped(e.target.value);
        }}
        onBlur={() => {
          const lines = typed === null ? null : readNumbers(typed);
          if (!lines) return;
          setTyped(null);
          onMapping({ ...mapping, leftOut: lines });
        }}
      />
      {isWrong && <span className="field-problem"> {t('problem:list', { defaultValue: '' })}</span>}
    </label>
  );
}

function KnownName({ field, written, name }: { field: string; written: string; name: string }) {
  const fieldName = useFieldName();
  const names = useNames(field);
  return (
    <li>
      <span className="dim">{fieldName(field)}:</span> “{written}” →{' '}
      {names?.find((n) => n.value === name)?.label ?? name}
    </li>
  );
}

function Left({ line, isLeft, onLeft }: { line: LeftOutLine; isLeft: boolean; onLeft: (left: boolean) => void }) {
  const { t } = useReading();
  return (
    <li>
      <label>
        <input
          type="checkbox"
          checked={isLeft}
          onChange={(e) => {
            onLeft(e.target.checked);
          }}
        />{' '}
        {t('import.line', { line: line.line })}: {t(`import.reason.${line.reason}`)}{' '}
        <span className="dim">{line.text}</span>
      </label>
    </li>
  );
}
