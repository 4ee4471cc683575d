import { api, answered, type ScanFileView, type ScanMapping, type ScanReport, type ScanStep } from '../../api/client';
import { reportOf, sendFile } from '../../exchange/sendFile';
import type { FileWay } from '../../exchange/useFileWork';

/** The part of a file that shows its headers. */
const headBytes = 1_000_000;

/** A file with a line a tree: which columns it has, then a check or the taking in, which read it as it comes. */
export const scanFile: FileWay<ScanFileView, ScanMapping, ScanReport> = {
  async read(file, signal) {
    // Parquet keeps what its columns are at its end; of a text its beginning is enough.
    const isParquet = (await file.slice(0, 4).text()) === 'PAR1';
    const head = isParquet || /\.(geo)?json$|\.xlsx$/i.test(file.name) ? file : await wholeLines(file);
    return answered(
      api.POST('/api/v1/scans/read', {
        body: head as unknown as string,
        bodySerializer: (b) => b as unknown as Blob,
        headers: { 'Content-Type': 'application/octet-stream' },
        signal,
      }),
    );
  },
  async run(step, { file, mapping }, onProgress, signal) {
    const query = new URLSearchParams({ name: file.name, mapping: JSON.stringify(mapping) });
    const answer = await sendFile(`/scans/${step}?${query}`, file, signal);
    return reportOf(answer, (told: ScanStep) => {
      if (told.ahead !== null) onProgress({ done: 0, lines: null, ahead: told.ahead });
      if (told.lines !== null) onProgress({ done: told.lines, lines: null });
      return told.report;
    });
  },
};

async function wholeLines(file: File): Promise<Blob> {
  if (file.size <= headBytes) return file;
  const head = new Uint8Array(await file.slice(0, headBytes).arrayBuffer());
  return file.slice(0, head.lastIndexOf(10) + 1);
}
