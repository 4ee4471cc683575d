import { Button } from 'antd';
import { useEffect } from 'react';
import { Link } from 'react-router';
import type { ScanFileView, ScanMapping, ScanReport } from '../../api/client';
import { ChoiceField } from '../../entry/Choice';
import { FileWork } from '../../exchange/FileWork';
import { useFileWork } from '../../exchange/useFileWork';
import '../../words/count';
import { useReading } from '../../words/useReading';
import './scan.css';
import { scanFile } from './scanFile';
import { titleOf } from '../../planting/titleOf';

/** Taking in a file of every tree: what is in it, what fits, what does not, then all of it. */
export function ScanPage() {
  const { t } = useReading();
  const work = useFileWork<ScanFileView, ScanMapping, ScanReport>();
  const { view, mapping, report } = work;
  useEffect(() => {
    document.title = `${t('scan.title')} · Rama`;
  }, [t]);
  return (
    <main className="page">
      <h1>{t('scan.title')}</h1>
      <FileWork
        work={work}
        accept=".csv,.txt,.parquet,.geojson,.json,.xlsx"
        formats={t('scan.text')}
        onFile={(chosen) => {
          work.choose(chosen, scanFile);
        }}
        mapping={view && mapping && <Columns view={view} mapping={mapping} onMapping={work.map} />}
        report={report && <Report report={report} onSave={work.save} />}
      />
    </main>
  );
}

/** Which column of the file fills which field. */
function Columns({
  view,
  mapping,
  onMapping,
}: {
  view: ScanFileView;
  mapping: ScanMapping;
  onMapping: (mapping: ScanMapping) => void;
}) {
  const { t } = useReading();
  return (
    <div className="scan-columns">
      <h2>{t('scan.columns')}</h2>
      <div className="fields">
        {view.fields
          .filter((f) => !f.startsWith('leader') || f in mapping.columns)
          .map((field) => {
            const label = t(`scan.field.${field.replace(/\d+$/, '')}`);
            return (
              <ChoiceField
                key={field}
                label={label}
                shown={`${label} ${/\d+$/.exec(field)?.[0] ?? ''}`}
                value={field in mapping.columns ? String(mapping.columns[field]) : ''}
                empty="–"
                onChange={(column) => {
                  onMapping({
                    ...mapping,
                    columns: Object.fromEntries([
                      ...Object.entries(mapping.columns).filter(([f]) => f !== field),
                      ...(column === '' ? [] : [[field, Number(column)] as const]),
                    ]),
                  });
                }}
                options={view.headers.map((h, i) => ({ value: String(i), label: h }))}
              />
            );
          })}
        <ChoiceField
          label={t('scan.trunk-unit')}
          value={mapping.trunkUnit}
          onChange={(trunkUnit) => {
            onMapping({ ...mapping, trunkUnit });
          }}
          options={view.trunkUnits.map((u) => ({ value: u, label: u }))}
        />
        <ChoiceField
          label={t('import.decimal')}
          value={mapping.decimal}
          onChange={(decimal) => {
            onMapping({ ...mapping, decimal });
          }}
          options={[
            { value: '.', label: '.' },
            { value: ',', label: ',' },
          ]}
        />
      </div>
    </div>
  );
}

/** What taking the scan in would do, or has done. */
function Report({ report, onSave }: { report: ScanReport; onSave: () => void }) {
  const { t, number } = useReading();
  return (
    <div className="scan-report" data-test="scan-report">
      <p>
        <strong className="scan-matched">{number(report.matched, 0)}</strong>{' '}
        {t('scan.matched', { lines: number(report.lines, 0) })}
      </p>
      {Object.entries(report.byReason).length > 0 && (
        <p>
          {t('scan.left-out')}{' '}
          {Object.entries(report.byReason)
            .map(([reason, n]) => `${t(`scan.reason.${reason}`)} ${number(n, 0)}`)
            .join(' · ')}
        </p>
      )}
      {!report.usable && (
        <p className="field-problem" role="alert">
          {t('scan.unusable')}
        </p>
      )}
      {report.saved ? (
        <p data-test="scan-saved">
          <strong>{t('scan.saved')}</strong>
        </p>
      ) : (
        <Button type="primary" disabled={!report.usable} onClick={onSave} data-test="scan-save">
          {t('scan.save')}
        </Button>
      )}
      <table className="figures">
        <thead>
          <tr>
            <th>{t('scan.planting')}</th>
            <th className="number">{t('scan.trees')}</th>
            <th className="number">{t('scan.rows')}</th>
            <th className="number">{t('scan.trunk')}</th>
            <th className="number">{t('scan.buds')}</th>
          </tr>
        </thead>
        <tbody>
          {report.plantings.map((p) => (
            <tr key={p.id}>
              <th scope="row">
                <Link to={`/plantings/${p.id}/trees`}>{titleOf(p)}</Link>
              </th>
              <td className="number">{number(p.trees, 0)}</td>
              <td className="number">{p.rows}</td>
              <td className="number">{p.meanTrunkMm === null ? '–' : `${number(p.meanTrunkMm, 1)} mm`}</td>
              <td className="number">{p.meanBuds === null ? '–' : number(p.meanBuds, 0)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {report.problems.length > 0 && (
        <details>
          <summary>{t('scan.problems', { count: report.problems.length })}</summary>
          <ul className="small">
            {report.problems.map((p, i) => (
              <li key={i}>
                {t('scan.line', { line: p.line })} {p.message} {p.value && <span className="dim">“{p.value}”</span>}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
