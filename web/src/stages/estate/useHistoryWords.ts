import { dayForm } from '../../units/forms';
import { useReading } from '../../words/useReading';
import type { HistoryWords } from './historyWords';

/** How this reader is told of changes. */
export function useHistoryWords(): HistoryWords {
  const { t, number, unitName, language } = useReading();
  const form = dayForm(language, { dateStyle: 'medium' });
  return { t, number: (value) => number(value), unitName, day: (day) => form.format(day) };
}
