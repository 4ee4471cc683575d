import { useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect } from 'react';
import { api, answered, type ImportMapping, type ImportReport, type LineProblem } from '../api/client';
import { useMay } from '../people/session';
import { Link } from 'react-router';
import { useReading } from '../words/useReading';
import './exchange.css';
import { FileFacts } from './FileFacts';
import { FileWork } from './FileWork';
import { MappingTable } from './MappingTable';
import { otherDecimal } from './otherDecimal';
import { PastImports } from './PastImports';
import { Questions } from './Questions';
import { megabytes, useImport } from './useImport';

/** Files in and files out: what a spreadsheet has, Rama takes; what Rama has, a spreadsheet opens. */
export function ExchangePage() {
  const { t } = useReading();
  const may = useMay();
  useEffect(() => {
    document.title = `${t('exchange.title')} · Rama`;
  }, [t]);
  return (
    <main className="page">
      <h1>{t('exchange.title')}</h1>
      {may('exchange') && <Import />}
      {may('exchange') && (
        <p>
          <Link to="/scans" data-test="to-scans">
            {t('exchange.to-scans')}
          </Link>
        </p>
      )}
      {may('exchange') && <PastImports />}
      {may('export') ? <Export /> : <p>{t('export.not-counters')}</p>}
    </main>
  );
}

function Import() {
  const { t } = useReading();
  const tables = useQuery({
    queryKey: ['import-tables'],
    queryFn: () => answered(api.GET('/api/v1/imports/tables')),
    staleTime: Infinity,
  });
  const work = useImport(tables.data?.mostBytes ?? Infinity);
  const { view, mapping, report } = work;
  const table = tables.data?.tables.find((x) => x.name === mapping?.table);
  return (
    <FileWork
      work={work}
      accept=".csv,.txt,.tsv,.xlsx,.geojson,.json,.zip"
      formats={t('import.formats', { mb: megabytes(tables.data?.mostBytes ?? 0) })}
      onFile={work.chooseFile}
      mapping={
        view &&
        mapping &&
        table && (
          <>
            {view.notes.map((note) => (
              <p key={note} className="small">
                {t(note, { defaultValue: note })}
              </p>
            ))}
            <Questions view={view} mapping={mapping} columns={table.columns} onMapping={work.map} />
            <FileFacts view={view} mapping={mapping} keepsFree={table.keepsFree} onMapping={work.map} />
            <MappingTable
              view={view}
              mapping={mapping}
              table={table}
              tables={tables.data!.tables.map((x) => x.name)}
              onTable={work.chooseTable}
              onMapping={work.map}
            />
          </>
        )
      }
      report={
        work.estateRead ? (
          <p data-test="estate-read">{t('import.estate-read')}</p>
        ) : (
          report &&
          table && (
            <Report
              report={report}
              mapping={mapping!}
              onMapping={work.map}
              fields={Object.fromEntries(table.columns.map((c) => [c.field, c.headers[0]!]))}
              onSave={work.save}
              onProblems={work.downloadProblems}
            />
          )
        )
      }
    />
  );
}

const isQuestion = (p: LineProblem) => p.line === 0 && ['unit', 'value', 'package'].includes(p.code);

/** What the import would do, or has done; with problems, which ones. */
function Report({
  report,
  mapping,
  onMapping,
  fields,
  onSave,
  onProblems,
}: {
  report: ImportReport;
  mapping: ImportMapping;
  onMapping: (mapping: ImportMapping) => void;
  fields: Record<string, string>;
  onSave: () => void;
  onProblems: () => void;
}) {
  const { t, number } = useReading();
  const blocked = report.problemCount > 0;
  // What is asked stands with its answers above the columns.
  const asked = report.problems.filter(isQuestion).length;
  const toMend = report.problemCount - asked;
  const other = otherDecimal(report, mapping.decimal);
  const n = (value: number) => number(value, 0);
  return (
    <div data-test="report">
      <p className="import-verdict">
        {report.saved
          ? t('import.saved', { lines: n(report.lines) })
          : toMend > 0
            ? t('import.blocked', { count: toMend, formatted: n(toMend) })
            : asked > 0
              ? t('import.to-say', { count: asked, formatted: n(asked) })
              : t('import.ready', { lines: n(report.lines) })}
      </p>
      <dl className="chain">
        <div>
          <dt>{t('import.added')}</dt>
          <dd className="value">{n(report.added)}</dd>
        </div>
        <div>
          <dt>{t('import.changed')}</dt>
          <dd className="value">{n(report.changed)}</dd>
        </div>
        <div>
          <dt>{t('import.same')}</dt>
          <dd className="value">{n(report.same)}</dd>
        </div>
      </dl>
      {report.saved && (
        <p className="import-next">
          <Link to="/known" data-test="to-known">
            {t('import.to-known')}
          </Link>
        </p>
      )}
      {other && (
        <Button
          onClick={() => {
            onMapping({ ...mapping, decimal: other });
          }}
          data-test="other-decimal"
        >
          {t(other === ',' ? 'import.read-comma' : 'import.read-point')}
        </Button>
      )}
      {!report.saved && !blocked && (
        <Button type="primary" onClick={onSave} data-test="import">
          {t('import.do')}
        </Button>
      )}
      {blocked && toMend === 0 && <p className="small dim">{t('import.say-them')}</p>}
      {toMend > 0 && (
        <>
          <p className="small dim">{t('import.none-saved')}</p>
          <Button onClick={onProblems} data-test="problem-file">
            {t('import.problem-file')}
          </Button>
          <ol className="import-problems">
            {report.problems
              .filter((p) => !isQuestion(p))
              .slice(0, 100)
              .map((p, i) => (
                <li key={i}>
                  <strong>{p.line > 0 ? t('import.line', { line: p.line }) : t('import.file')}</strong>{' '}
                  {p.message.includes(':') || !fields[p.field] ? p.message : `${fields[p.field]!}: ${p.message}`}
                  {p.value && !p.message.includes(p.value) && <span className="dim"> “{p.value}”</span>}{' '}
                  {p.line > 0 && (
                    <button
                      type="button"
                      className="text-button"
                      onClick={() => {
                        onMapping({ ...mapping, leftOut: [...new Set([...mapping.leftOut, p.line])] });
                      }}
                    >
                      {t('import.leave-this')}
                    </button>
                  )}
                </li>
              ))}
          </ol>
        </>
      )}
      {report.warnings.length > 0 && (
        <ul className="notices">
          {report.warnings.slice(0, 50).map((w, i) => (
            <li key={i}>
              {w.line > 0 && `${t('import.line', { line: w.line })}: `}
              {w.message}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

const exportTables = ['plantings', 'rows', 'seasons', 'plans', 'counts', 'trunks', 'sites', 'weather', 'passes'];

function Export() {
  const { t } = useReading();
  const may = useMay();
  return (
    <section className="export">
      <h2>{t('export.title')}</h2>
      <table className="figures">
        <tbody>
          {exportTables.map((table) => (
            <tr key={table}>
              <th scope="row">{t(`table.${table}`)}</th>
              <td className="dim">{t(`table.${table}.what`)}</td>
              <td className="export-links">
                <a href={`/api/v1/exports/${table}`} download>
                  CSV
                </a>{' '}
                <a href={`/api/v1/exports/${table}?format=xlsx`} download>
                  XLSX
                </a>
              </td>
            </tr>
          ))}
          <tr>
            <th scope="row">{t('table.ground')}</th>
            <td className="dim">{t('table.ground.what')}</td>
            <td className="export-links">
              <a href="/api/v1/exports/ground" download>
                GeoJSON
              </a>
            </td>
          </tr>
          {may('exchange') && (
            <tr>
              <th scope="row">{t('export.estate')}</th>
              <td className="dim">{t('export.estate.what')}</td>
              <td className="export-links">
                <a href="/api/v1/exports/estate" download data-test="export-estate">
                  ZIP
                </a>
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}
