import type { ExchangeColumn, FileView, ImportMapping } from '../api/client';
import { Choice } from '../entry/Choice';
import { useReading } from '../words/useReading';
import { useFieldName } from './fieldName';

interface MappingTableProps {
  view: FileView;
  mapping: ImportMapping;
  table: { name: string; columns: ExchangeColumn[]; also: Record<string, string[]> };
  tables: string[];
  onTable: (table: string) => void;
  onMapping: (mapping: ImportMapping) => void;
}

/**
 * Which column of the file fills which field, in which unit, with the first lines beside it to see that it is right.
 */
export function MappingTable({ view, mapping, table, tables, onTable, onMapping }: MappingTableProps) {
  const { t, unitName } = useReading();
  const name = useFieldName();
  const byYear = (field: string) => mapping.columns.filter((c) => c.field === field && c.season !== null);
  const headers = view.headers.map((h, i) => ({ value: String(i), label: h || `${t('import.column')} ${i + 1}` }));
  const of = (field: string) => mapping.columns.find((c) => c.field === field);
  const choose = (column: ExchangeColumn, index: string) => {
    const others = mapping.columns.filter((c) => c.field !== column.field);
    if (index === '') onMapping({ ...mapping, columns: others });
    else
      onMapping({
        ...mapping,
        columns: [
          ...others,
          {
            field: column.field,
            column: Number(index),
            unit: of(column.field)?.unit ?? column.units[0] ?? null,
            unitColumn: null,
            season: null,
            package: null,
            // Another column, another unit: it is asked anew where there is a choice.
            unitFrom: column.units.length > 1 ? 'open' : null,
          },
        ],
      });
  };
  const chooseUnit = (column: ExchangeColumn, unit: string) => {
    onMapping({
      ...mapping,
      columns: mapping.columns.map((c) =>
        c.field === column.field ? { ...c, unit, unitColumn: null, unitFrom: 'chosen' } : c,
      ),
    });
  };
  return (
    <>
      <div className="import-what">
        <div className="field">
          <span className="field-label">{t('import.what')}</span>
          <Choice
            label={t('import.what')}
            value={table.name}
            onChange={onTable}
            options={tables.map((name) => ({ value: name, label: t(`table.${name}`) }))}
          />
        </div>
        <div className="field">
          <span className="field-label">{t('import.decimal')}</span>
          <Choice
            label={t('import.decimal')}
            value={mapping.decimal}
            onChange={(decimal) => {
              onMapping({ ...mapping, decimal });
            }}
            options={[
              { value: '.', label: t('import.decimal-point') },
              { value: ',', label: t('import.decimal-comma') },
            ]}
          />
        </div>
        <p className="dim small">{t('import.lines', { lines: view.lines })}</p>
      </div>
      <table className="figures mapping" data-test="mapping">
        <thead>
          <tr>
            <th>{t('import.field')}</th>
            <th>{t('import.column')}</th>
            <th>{t('import.unit')}</th>
            <th>{t('import.samples')}</th>
          </tr>
        </thead>
        <tbody>
          {table.columns.map((column) => {
            const mapped = of(column.field);
            return (
              <tr key={column.field} className={mapped ? '' : 'mapping-unused'}>
                <th scope="row">
                  {name(column.field, column.headers[0]!, table.name)}
                  {column.required && !table.also[column.field]?.some(of) && (
                    <span className="mapping-required" title={t('import.required')}>
                      {' '}
                      •
                    </span>
                  )}
                </th>
                <td data-field={`mapping.${column.field}`}>
                  {byYear(column.field).length > 0 ? (
                    <span className="small">
                      {byYear(column.field)
                        .map((c) => c.season)
                        .join(', ')}
                    </span>
                  ) : (
                    <Choice
                      label={`${t('import.column')}: ${column.headers[0]!}`}
                      value={mapped ? String(mapped.column) : ''}
                      empty={t('import.not-there')}
                      onChange={(i) => {
                        choose(column, i);
                      }}
                      options={headers}
                    />
                  )}
                </td>
                <td>
                  {mapped &&
                    column.units.length > 0 &&
                    (mapped.unitColumn != null ? (
                      <span className="small">
                        {t('import.unit-column', { column: view.headers[mapped.unitColumn] })}
                      </span>
                    ) : (
                      <Choice
                        label={`${t('unit')}: ${column.headers[0]!}`}
                        value={mapped.unit ?? ''}
                        onChange={(u) => {
                          chooseUnit(column, u);
                        }}
                        options={column.units.map((u) => ({ value: u, label: unitName(u) }))}
                        invalid={mapped.unitFrom === 'open'}
                      />
                    ))}
                  {mapped?.unitFrom && column.units.length > 1 && (
                    <span className="mapping-from small dim">{t(`import.unit-from.${mapped.unitFrom}`)}</span>
                  )}
                  {mapped?.package && (
                    <span className="mapping-from small dim">
                      {t('import.package.each', { mass: `${mapped.package.value!} ${unitName(mapped.package.unit!)}` })}
                    </span>
                  )}
                </td>
                <td className="small mapping-samples">
                  {mapped &&
                    view.samples
                      .map((line) => line[mapped.column])
                      .filter(Boolean)
                      .join(' · ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </>
  );
}
