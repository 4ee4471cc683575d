import { fieldName, inWords } from '../stages/estate/historyWords';
import { useHistoryWords } from '../stages/estate/useHistoryWords';
import { useReading } from '../words/useReading';
import { usePlantingWork } from './usePlanting';

// What a line of a list is called.
const lines: Record<string, string> = {
  trees: 'history.countedTree',
  rows: 'history.row',
  seasons: 'conflict.season',
  budCuts: 'conflict.budCut',
  demonstration: 'conflict.demonstration',
};

const MOST_NAMED = 5;

/** Names of the fields of an entry and their values, in the reader's words. */
export function useChangeWords() {
  const { t, local } = useReading();
  const { system } = usePlantingWork().plan.planting ?? {};
  const words = useHistoryWords();

  function nameOf(path: string): string {
    const [, list, place, rest] = /^(\w+)\[([^\]]+)\](?:\.(.+))?$/.exec(path) ?? [];
    if (list === 'choices') return t(`field.${place!}.${rest ?? 'follows'}`);
    if (list === 'free') return place!;
    if (list !== undefined)
      return [t(lines[list] ?? `field.${list}`, { detail: place }), rest && fieldName(rest, t)]
        .filter(Boolean)
        .join(' · ');
    const [part, id] = path.split('.');
    const own =
      part === 'answers'
        ? system?.questions.find((q) => q.id === id)?.name
        : part === 'settings'
          ? system?.settings.find((s) => s.id === id)?.name
          : undefined;
    return own ? local(own) : t(`conflict.field.${path}`, { defaultValue: fieldName(path, t) });
  }

  function told(path: string, value: unknown): string {
    const [part, id] = path.split('.');
    if (value == null || value === '') return '–';
    if (part === 'answers') {
      const options = system?.questions.find((q) => q.id === id)?.options ?? [];
      return local(options.find((o) => o.id === value)?.name) || String(value as string);
    }
    if (typeof value === 'boolean') return t(value ? 'yes' : 'no');
    if (Array.isArray(value)) return t('conflict.lines', { count: value.length });
    if (typeof value === 'object') {
      if ('value' in value) {
        const { value: number, unit } = value as { value: number | null; unit?: string | null };
        return number === null ? '–' : inWords(path, `${number}${unit ? ` ${unit}` : ''}`, words);
      }
      return Object.entries(value)
        .filter(([, part]) => part != null && part !== '' && !(Array.isArray(part) && part.length === 0))
        .map(([key, part]) => `${fieldName(key, t)} ${told(key, part)}`)
        .join(', ');
    }
    return inWords(path.split('.').at(-1)!, String(value as string | number), words);
  }

  /** Names of fields, a few of them; an import may have changed hundreds. */
  function namesOf(paths: string[]): string {
    const names = paths.slice(0, MOST_NAMED).map(nameOf).join(', ');
    return paths.length > MOST_NAMED ? t('conflict.more', { names, count: paths.length - MOST_NAMED }) : names;
  }

  return { fieldName: nameOf, fieldNames: namesOf, inWords: told };
}
