import {
  RequestError,
  SIGNED_OUT,
  type FileView,
  type ImportMapping,
  type ImportReport,
  type ImportStep,
  type Problem,
} from '../api/client';

/** Sends a file to one of the import's steps; the file comes along with each, nothing is kept on the server. */
async function send(step: string, file: File, fields: Record<string, string>, signal: AbortSignal): Promise<Response> {
  const form = new FormData();
  form.append('file', file);
  for (const [name, value] of Object.entries(fields)) form.append(name, value);
  const response = await fetch(`/api/v1/imports/${step}`, { method: 'POST', body: form, signal });
  if (response.ok) return response;
  if (response.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
  throw new RequestError(response.status, (await response.json().catch(() => ({}))) as Problem);
}

/** What a file holds, and which column is which. */
export async function readFile(file: File, table: string | null, signal: AbortSignal): Promise<FileView> {
  return (await send('read', file, table === null ? {} : { table }, signal)).json() as Promise<FileView>;
}

/** Runs an import, or a check of one, and tells how far it is; aborting the signal cancels it on the server. */
export async function runImport(
  step: 'check' | 'save',
  file: File,
  mapping: ImportMapping,
  onProgress: (done: number, lines: number) => void,
  signal: AbortSignal,
): Promise<ImportReport> {
  const response = await send(step, file, { mapping: JSON.stringify(mapping) }, signal);
  for await (const told of steps(response.body!)) {
    if (told.progress) onProgress(told.progress.done, told.progress.lines);
    if (told.failure) throw new RequestError(500, { title: told.failure });
    if (told.report) return told.report;
  }
  throw new TypeError('The answer ended early.');
}

/** The lines that cannot be used, as a file to mend. */
export async function problemFile(file: File, mapping: ImportMapping, signal: AbortSignal): Promise<Blob> {
  return (await send('problems', file, { mapping: JSON.stringify(mapping) }, signal)).blob();
}

/** Reads an exported estate into this empty one. */
export async function readEstate(file: File, signal: AbortSignal): Promise<void> {
  await send('estate', file, {}, signal);
}

/** The steps in a stream of server-sent events. */
export async function* steps<T = ImportStep>(body: ReadableStream<Uint8Array>): AsyncGenerator<T> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  let rest = '';
  while (true) {
    const { done, value } = await reader.read();
    if (done) return;
    rest += decoder.decode(value, { stream: true });
    const events = rest.split('\n\n');
    rest = events.pop()!;
    for (const event of events) {
      const data = event
        .split('\n')
        .filter((line) => line.startsWith('data:'))
        .map((line) => line.slice(5))
        .join('\n');
      if (data) yield JSON.parse(data) as T;
    }
  }
}
