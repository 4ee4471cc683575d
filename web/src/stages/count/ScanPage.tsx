import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, answered, RequestError, type ScanFileView, type ScanMapping, type ScanReport } from '../../api/client';
import { Choice } from '../../entry/Field';
import '../../words/count';
import { useReading } from '../../words/useReading';
import { steps } from '../../exchange/importFile';
import './scan.css';

/** The part of a file that shows its headers. */
const headBytes = 1_000_000;

/** Taking in a file of every tree: what is in it, what fits, what does not, then all of it. */
export function ScanPage() {
  const { t, number } = useReading();
  const [file, setFile] = useState<File | null>(null);
  const [view, setView] = useState<ScanFileView | null>(null);
  const [mapping, setMapping] = useState<ScanMapping | null>(null);
  const [report, setReport] = useState<ScanReport | null>(null);
  const [lines, setLines] = useState<number | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const work = useRef<AbortController | null>(null);
  useEffect(() => {
    document.title = `${t('scan.title')} · Rama`;
  }, [t]);
  useEffect(
    () => () => {
      work.current?.abort();
    },
    [],
  );

  async function step(act: (signal: AbortSignal) => Promise<void>) {
    work.current?.abort();
    const mine = new AbortController();
    work.current = mine;
    setFailure(null);
    setLines(0);
    try {
      await act(mine.signal);
    } catch (e) {
      if (!mine.signal.aborted)
        setFailure(e instanceof RequestError ? (e.problem.problems?.[0]?.message ?? e.message) : t('failure.server'));
    } finally {
      if (work.current === mine) setLines(null);
    }
  }
  async function run(what: 'check' | 'save', chosen: File, next: ScanMapping, signal: AbortSignal) {
    setReport(null);
    const query = new URLSearchParams({ name: chosen.name, mapping: JSON.stringify(next) });
    const answer = await fetch(`/api/v1/scans/${what}?${query}`, {
      method: 'POST',
      body: chosen,
      signal,
      headers: { 'Content-Type': 'application/octet-stream' },
    });
    if (!answer.ok || !answer.body) throw new RequestError(answer.status, {});
    for await (const told of steps<{ lines?: number | null; report?: ScanReport | null; failure?: string | null }>(
      answer.body,
    )) {
      if (told.failure) setFailure(told.failure);
      else if (told.report) setReport(told.report);
      else if (told.lines) setLines(told.lines);
    }
  }
  const choose = (chosen: File) =>
    step(async (signal) => {
      setFile(chosen);
      setView(null);
      setReport(null);
      // Parquet keeps what its columns are at its end; of a text its beginning is enough.
      const isParquet = (await chosen.slice(0, 4).text()) === 'PAR1';
      const head = isParquet || /\.(geo)?json$|\.xlsx$/i.test(chosen.name) ? chosen : await wholeLines(chosen);
      const read = await answered(
        api.POST('/api/v1/scans/read', {
          body: head as unknown as string,
          bodySerializer: (b) => b as unknown as Blob,
          headers: { 'Content-Type': 'application/octet-stream' },
          signal,
        }),
      );
      setView(read);
      setMapping(read.guess);
      await run('check', chosen, read.guess, signal);
    });
  const map = (next: ScanMapping) => {
    setMapping(next);
    if (file) void step((signal) => run('check', file, next, signal));
  };
  return (
    <main className="scan">
      <h1>{t('scan.title')}</h1>
      <p className="dim">{t('scan.text')}</p>
      <label className="scan-choose">
        <span>{file ? `${file.name} (${number(file.size / 1_000_000, 1)} MB)` : t('scan.choose')}</span>
        <input
          type="file"
          accept=".csv,.txt,.parquet,.geojson,.json,.xlsx"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) void choose(chosen);
          }}
          data-test="scan-file"
        />
      </label>
      {lines !== null && (
        <p role="status">
          {t('scan.running', { lines: number(lines, 0) })}{' '}
          <Button
            size="small"
            onClick={() => {
              work.current?.abort();
              setLines(null);
              setFailure(t('import.cancelled'));
            }}
          >
            {t('import.cancel')}
          </Button>
        </p>
      )}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      {view && mapping && (
        <details className="sheet scan-columns">
          <summary>{t('scan.columns')}</summary>
          <div className="fields">
            {view.fields
              .filter((f) => !f.startsWith('leader') || f in mapping.columns)
              .map((field) => (
                <div className="field" key={field}>
                  <span className="field-label" aria-hidden>
                    {t(`scan.field.${field.replace(/\d+$/, '')}`)} {/\d+$/.exec(field)?.[0]}
                  </span>
                  <Choice
                    label={t(`scan.field.${field.replace(/\d+$/, '')}`)}
                    value={field in mapping.columns ? String(mapping.columns[field]) : ''}
                    empty="–"
                    onChange={(column) => {
                      map({
                        ...mapping,
                        columns: Object.fromEntries([
                          ...Object.entries(mapping.columns).filter(([f]) => f !== field),
                          ...(column === '' ? [] : [[field, Number(column)] as const]),
                        ]),
                      });
                    }}
                    options={view.headers.map((h, i) => ({ value: String(i), label: h }))}
                  />
                </div>
              ))}
            <div className="field">
              <span className="field-label" aria-hidden>
                {t('scan.trunk-unit')}
              </span>
              <Choice
                label={t('scan.trunk-unit')}
                value={mapping.trunkUnit}
                onChange={(trunkUnit) => {
                  map({ ...mapping, trunkUnit });
                }}
                options={view.trunkUnits.map((u) => ({ value: u, label: u }))}
              />
            </div>
            <div className="field">
              <span className="field-label" aria-hidden>
                {t('import.decimal')}
              </span>
              <Choice
                label={t('import.decimal')}
                value={mapping.decimal}
                onChange={(decimal) => {
                  map({ ...mapping, decimal });
                }}
                options={[
                  { value: '.', label: '.' },
                  { value: ',', label: ',' },
                ]}
              />
            </div>
          </div>
        </details>
      )}
      {report && (
        <section className="sheet scan-report" data-test="scan-report">
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
            <Button
              type="primary"
              disabled={!report.usable || lines !== null}
              onClick={() => {
                if (file && mapping) void step((signal) => run('save', file, mapping, signal));
              }}
              data-test="scan-save"
            >
              {t('scan.save')}
            </Button>
          )}
          <table className="figures">
            <thead>
              <tr>
                <th>{t('scan.planting')}</th>
                <th className="number">{t('field.trees')}</th>
                <th className="number">{t('scan.rows')}</th>
                <th className="number">{t('scan.trunk')}</th>
                <th className="number">{t('scan.buds')}</th>
              </tr>
            </thead>
            <tbody>
              {report.plantings.map((p) => (
                <tr key={p.id}>
                  <th scope="row">
                    <Link to={`/plantings/${p.id}/trees`}>
                      {p.code} {p.name}
                    </Link>
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
        </section>
      )}
    </main>
  );
}

async function wholeLines(file: File): Promise<Blob> {
  if (file.size <= headBytes) return file;
  const head = new Uint8Array(await file.slice(0, headBytes).arrayBuffer());
  return file.slice(0, head.lastIndexOf(10) + 1);
}
