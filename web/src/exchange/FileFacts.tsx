import type { FileView, ImportMapping, LeftOutLine } from '../api/client';
import { useReading } from '../words/useReading';
import { useFieldName } from './fieldName';
import { useNames } from './useNames';

/** What Rama does with the rest of the file: names it understood, lines and columns it does not read. */
export function FileFacts({
  view,
  mapping,
  onMapping,
}: {
  view: FileView;
  mapping: ImportMapping;
  onMapping: (mapping: ImportMapping) => void;
}) {
  const { t } = useReading();
  const used = new Set(mapping.columns.flatMap((c) => [c.column, c.unitColumn]));
  const unused = view.headers.filter((h, i) => h !== '' && !used.has(i));
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
      {unused.length > 0 && (
        <p className="small" data-test="unused">
          {t('import.unused', { count: unused.length })} <strong>{unused.join(', ')}</strong>
        </p>
      )}
    </div>
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
