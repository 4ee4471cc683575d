import type { TrainingSystem } from '../../../api/client';

/** Larger than any system; a file beyond it is something else. */
export const MOST_BYTES = 500_000;

/** The text of a file with a system, in the form of the shipped ones. */
export const packText = (system: TrainingSystem): string =>
  `${JSON.stringify({ $schema: 'training-system.schema.json', system }, null, 2)}\n`;

/** The system in a file; null where it is none. What is wrong in it is told by the server. */
export function packIn(text: string): TrainingSystem | null {
  try {
    const read = JSON.parse(text) as { system?: unknown };
    const system = read.system as Partial<TrainingSystem> | null | undefined;
    return system &&
      typeof system.id === 'string' &&
      typeof system.name?.en === 'string' &&
      Array.isArray(system.steps) &&
      Array.isArray(system.settings) &&
      Array.isArray(system.questions) &&
      typeof system.terms === 'object' &&
      typeof system.caps === 'object' &&
      typeof system.form?.typical === 'object'
      ? (system as TrainingSystem)
      : null;
  } catch {
    return null;
  }
}

/** Gives the reader a file. */
export function saveFile(name: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
