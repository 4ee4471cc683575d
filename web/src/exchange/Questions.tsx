import type { ColumnMapping, ExchangeColumn, FileView, ImportMapping, ValueMapping } from '../api/client';
import { Choice } from '../entry/Choice';
import { useReading } from '../words/useReading';
import { NewName } from './NewName';
import { PackageMass } from './PackageMass';
import { useFieldName } from './fieldName';
import { useNames } from './useNames';

interface QuestionsProps {
  view: FileView;
  mapping: ImportMapping;
  columns: ExchangeColumn[];
  onMapping: (mapping: ImportMapping) => void;
}

/** What the file leaves open: units that its values fit in more than one way, and names nobody knows. */
export function Questions({ view, mapping, columns, onMapping }: QuestionsProps) {
  const { t } = useReading();
  const open = firstOfField(mapping.columns.filter((c) => c.unitFrom === 'open'));
  const packages = firstOfField(mapping.columns.filter((c) => c.package === null && isPackage(c.unit)));
  const names = mapping.values.filter((v) => v.isGuess || v.name === null);
  if (open.length + packages.length + names.length === 0) return null;
  const change = (field: string, made: Partial<ColumnMapping>) => {
    onMapping({ ...mapping, columns: mapping.columns.map((c) => (c.field === field ? { ...c, ...made } : c)) });
  };
  return (
    <section className="import-questions" data-test="questions" aria-label={t('import.questions')}>
      <h2>{t('import.questions')}</h2>
      <ul>
        {open.map((column) => (
          <UnitQuestion
            key={column.field}
            column={column}
            units={columns.find((c) => c.field === column.field)?.units ?? []}
            sample={view.samples.map((line) => line[column.column]).find(Boolean) ?? ''}
            onUnit={(unit) => {
              change(column.field, { unit, unitFrom: 'chosen' });
            }}
          />
        ))}
        {packages.map((column) => (
          <li key={column.field}>
            <PackageMass
              unit={column.unit!}
              onMass={(mass) => {
                change(column.field, { package: mass });
              }}
            />
          </li>
        ))}
        {names.map((value) => (
          <NameQuestion
            key={`${value.field} ${value.written}`}
            value={value}
            onName={(name) => {
              onMapping({
                ...mapping,
                values: mapping.values.map((v) => (v === value ? { ...v, name, isGuess: false } : v)),
              });
            }}
          />
        ))}
      </ul>
    </section>
  );
}

const isPackage = (unit: string | null) => /^(bin|box|bushel)\//.test(unit ?? '');

/** A table with a column for each year asks once, not for each of them. */
const firstOfField = (columns: ColumnMapping[]) =>
  columns.filter((c, i) => columns.findIndex((other) => other.field === c.field) === i);

function UnitQuestion({
  column,
  units,
  sample,
  onUnit,
}: {
  column: ColumnMapping;
  units: string[];
  sample: string;
  onUnit: (unit: string) => void;
}) {
  const { t, unitName } = useReading();
  const name = useFieldName();
  return (
    <li data-field={`unit.${column.field}`}>
      <p>{t('import.which-unit', { field: name(column.field) })}</p>
      <div className="import-answers">
        {units.map((unit) => (
          <button
            key={unit}
            type="button"
            className={unit === column.unit ? 'import-answer likely' : 'import-answer'}
            onClick={() => {
              onUnit(unit);
            }}
          >
            {sample} {unitName(unit)}
          </button>
        ))}
      </div>
    </li>
  );
}

function NameQuestion({ value, onName }: { value: ValueMapping; onName: (name: string) => void }) {
  const { t } = useReading();
  const name = useFieldName();
  const names = useNames(value.field);
  return (
    <li data-field={`value.${value.field}.${value.written}`}>
      <p>
        {t(value.name === null ? 'import.what-is' : 'import.is-it', {
          field: name(value.field),
          written: value.written,
          count: value.lines,
        })}
      </p>
      {names ? (
        <div className="import-answers">
          {value.name !== null && (
            <button
              type="button"
              className="import-answer likely"
              onClick={() => {
                onName(value.name!);
              }}
            >
              {names.find((n) => n.value === value.name)?.label ?? value.name}
            </button>
          )}
          <Choice label={value.written} value="" empty={t('import.choose-name')} options={names} onChange={onName} />
          {(value.field === 'variety' || value.field === 'rootstock') && (
            <NewName field={value.field} written={value.written} onMade={onName} />
          )}
        </div>
      ) : (
        <NameTyped start={value.name ?? ''} label={value.written} onName={onName} />
      )}
    </li>
  );
}

/** A code that a spreadsheet has made a day of is typed as it was meant. */
function NameTyped({ start, label, onName }: { start: string; label: string; onName: (name: string) => void }) {
  const { t } = useReading();
  return (
    <form
      className="import-answers"
      onSubmit={(e) => {
        e.preventDefault();
        const typed = new FormData(e.currentTarget).get('name');
        if (typeof typed === 'string' && typed.trim() !== '') onName(typed.trim());
      }}
    >
      <input className="import-typed" name="name" defaultValue={start} aria-label={label} maxLength={20} />
      <button type="submit" className="import-answer likely">
        {t('import.so-it-is')}
      </button>
    </form>
  );
}
