import type { FileView, ImportMapping, ImportReport, ImportStep } from '../api/client';
import { reportOf, sendFile } from './sendFile';
import type { FileWay } from './useFileWork';

function form(file: File, fields: Record<string, string>): FormData {
  const form = new FormData();
  form.append('file', file);
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  return form;
}

/** A file of one of the tables: what it holds and which column is which, then a check or the import itself. */
export const tableFile = (
  table: string | null,
  said: ImportMapping | null = null,
): FileWay<FileView, ImportMapping, ImportReport> => ({
  async read(file, signal) {
    const fields = { ...(table === null ? {} : { table }), ...(said === null ? {} : { said: JSON.stringify(said) }) };
    const answer = await sendFile('/imports/read', form(file, fields), signal);
    return (await answer.json()) as FileView;
  },
  async run(step, { file, mapping }, onProgress, signal) {
    const answer = await sendFile(`/imports/${step}`, form(file, { mapping: JSON.stringify(mapping) }), signal);
    return reportOf(answer, (told: ImportStep) => {
      if (told.ahead !== null) onProgress({ done: 0, lines: null, ahead: told.ahead });
      if (told.progress) onProgress(told.progress);
      return told.report;
    });
  },
});

/** The lines that cannot be used, as a file to mend. */
export async function problemFile(file: File, mapping: ImportMapping, signal: AbortSignal): Promise<Blob> {
  return (await sendFile('/imports/problems', form(file, { mapping: JSON.stringify(mapping) }), signal)).blob();
}

/** Reads an exported estate into this empty one. */
export async function readEstate(file: File, signal: AbortSignal): Promise<void> {
  await sendFile('/imports/estate', form(file, {}), signal);
}
