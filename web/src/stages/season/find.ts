import type { SeasonLine, Stage } from '../../api/client';

/** Whether a planting answers to what was typed in the find box: every word in its code, name, variety or stock. */
export function matches(line: Pick<SeasonLine, 'code' | 'name' | 'variety' | 'rootstock'>, find: string): boolean {
  const text = plain(`${line.code} ${line.name} ${line.variety} ${line.rootstock}`);
  return plain(find).split(/\s+/).every((word) => text.includes(word));
}

/** The planting to go on with: the first in the order of the work at the earliest stage. */
export function nextToDo<T extends { stage: Stage }>(lines: T[]): T | undefined {
  const order: Stage[] = ['target', 'count', 'decide', 'prescribe'];
  return order.map((stage) => lines.find((l) => l.stage === stage)).find((l) => l !== undefined);
}

function plain(text: string) {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().trim();
}
