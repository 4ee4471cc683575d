import { createContext, useCallback, useContext } from 'react';
import { useTranslation } from 'react-i18next';
import { formatAmount, formatNumber, languageOf, localeOf, type Decimals, type Locale } from '../units/format';
import type { UnitSystem } from '../units/system';
import { HabitContext, inHabit } from './habit';
import { speak } from './i18n';

/** How this person reads, kept with their account. */
export const ReadingContext = createContext<{
  system: UnitSystem;
  chooseSystem: (system: UnitSystem) => void;
  chooseLanguage: (language: Locale) => void;
}>({ system: 'metric', chooseSystem: () => undefined, chooseLanguage: () => undefined });

/** Units whose figures a sentence tells in whole numbers. */
const counted = /^(share|day|h|h\/week|of10|[A-Z]{3}\/ha|(bud|fruit|fruitlet|cluster|tree|shoot)(\/tree)?)$/;

/** Words, numbers and units the way the reader wants them. */
export function useReading() {
  const { t: translate, i18n } = useTranslation();
  const habit = useContext(HabitContext);
  const { system, chooseSystem, chooseLanguage } = useContext(ReadingContext);
  // How numbers and days are written; the words alone are those of `words`.
  const language = localeOf(i18n.language);
  const words = languageOf(language);
  const t = useCallback(
    (key: string, values?: Record<string, unknown>): string => {
      // Some things are said otherwise of another crop: nobody thins cherries by hand.
      const own = `${key}@${habit}`;
      const said = translate(habit !== null && i18n.exists(own) ? own : key, values ?? {});
      return habit === null ? said : inHabit(said, translate(`habit:${habit}`, { defaultValue: '' }));
    },
    [translate, i18n, habit],
  );
  /** The name of a unit, such as "bud/tree" → "buds a tree". */
  const unitName = (unit: string) => (unit === '' ? '' : t(`unit:${unit}`, { defaultValue: unit }));
  const amount = (value: number, unit: string, decimals?: Decimals) => {
    const shown = formatAmount(value, unit, system, language, decimals);
    return { number: shown.number, unit: unitName(shown.unit) };
  };
  return {
    t,
    language,
    words,
    system,
    chooseSystem,
    setLanguage: (next: Locale) => {
      void speak(next);
      chooseLanguage(next);
    },
    /** A text the API answers in all languages. */
    local: (text: { en: string; es: string } | null | undefined) => text?.[words] ?? '',
    number: (value: number, decimals?: number) => formatNumber(value, language, decimals),
    amount,
    /** The same in one piece, where both are set alike. */
    told: (value: number, unit: string, decimals?: Decimals) => {
      const shown = amount(value, unit, decimals);
      return `${shown.number} ${shown.unit}`;
    },
    unitName,
    /** A sentence of the core in the reader's language, its figures in the reader's units. */
    say: (notice: { code: string; message: string; figures: { name: string; value: number; unit: string }[] }) => {
      // A sentence has its figures as n0, n1 …, their units as u0, u1 … and what they are of as w0, w1 …
      const figures = Object.fromEntries(
        notice.figures.flatMap((f, i) => {
          const shown = formatAmount(f.value, f.unit, system, language, counted.test(f.unit) ? 0 : undefined);
          return [
            [`n${i}`, `${shown.number}${shown.unit === '%' ? ' %' : ''}`],
            [`u${i}`, unitName(shown.unit)],
            [`w${i}`, t(f.name, { defaultValue: f.name })],
          ];
        }),
      );
      return t(`notice:${notice.code}`, { ...figures, defaultValue: notice.message });
    },
  };
}
