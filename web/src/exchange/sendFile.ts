import { RequestError, SIGNED_OUT, type Problem } from '../api/client';
import { steps } from './steps';

/** How far work on a file is. How many lines it has is not known of a file that is read as it comes. */
export interface FileProgress {
  done: number;
  lines: number | null;
  /** Pieces of long work before it, while it waits for its turn. */
  ahead?: number;
}

/** Posts a file, or what goes along with it; the file comes along with each step, nothing is kept on the server. */
export async function sendFile(path: string, body: FormData | Blob, signal: AbortSignal): Promise<Response> {
  const headers = body instanceof Blob ? { 'Content-Type': 'application/octet-stream' } : undefined;
  const response = await fetch(`/api/v1${path}`, { method: 'POST', body, headers, signal });
  if (response.ok) return response;
  if (response.status === 401) window.dispatchEvent(new Event(SIGNED_OUT));
  throw new RequestError(response.status, (await response.json().catch(() => ({}))) as Problem);
}

/** The report at the end of an answer in steps, each of which tells how far it is. */
export async function reportOf<Step extends { failure?: string | null }, Report>(
  answer: Response,
  told: (step: Step) => Report | null | undefined,
): Promise<Report> {
  for await (const step of steps<Step>(answer.body!)) {
    if (step.failure) throw new RequestError(500, { title: step.failure });
    const report = told(step);
    if (report) return report;
  }
  throw new TypeError('The answer ended early.');
}
