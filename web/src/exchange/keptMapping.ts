import type { FileView, ImportMapping } from '../api/client';

/**
 * What somebody has said of a file that is not taken over yet, by its headings: it is there again after the page was
 * left, and for the mended file.
 */
const keyOf = (estate: string, view: FileView) => `rama:mapping:${estate}:${view.headers.join('\u001f')}`;

/** Keeps a mapping until the file is taken over; where the browser keeps nothing, it is asked again. */
export function keepMapping(estate: string, view: FileView, mapping: ImportMapping) {
  try {
    sessionStorage.setItem(keyOf(estate, view), JSON.stringify(mapping));
  } catch {
    // A full or closed store costs no more than the answers given so far.
  }
}

/** Forgets it: the server knows the mapping of what was taken over. */
export function forgetMapping(estate: string, view: FileView) {
  try {
    sessionStorage.removeItem(keyOf(estate, view));
  } catch {
    // There was nothing to forget.
  }
}

/** What was said of a file with these headings; null where nothing was. */
export function keptMapping(estate: string, view: FileView): ImportMapping | null {
  try {
    const text = sessionStorage.getItem(keyOf(estate, view));
    return text === null ? null : (JSON.parse(text) as ImportMapping);
  } catch {
    return null;
  }
}
