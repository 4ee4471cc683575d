import { dayForm } from '../units/forms';
import { useReading } from './useReading';

/** A day told short, such as "3 Feb", as the reader writes it. */
export function useDays() {
  const { language } = useReading();
  const form = dayForm(language, { day: 'numeric', month: 'short', timeZone: 'UTC' });
  return (day: string) => form.format(new Date(day));
}
