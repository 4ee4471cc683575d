import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { languageOf, localeOf, type Locale } from '../units/format';
import en from './en.json';

/** Language chosen on this device before, or the browser's. */
function firstLanguage(): Locale {
  const chosen = localStorage.getItem('rama.language') ?? navigator.language;
  return localeOf(chosen);
}

void i18next.use(initReactI18next).init({
  lng: 'en',
  fallbackLng: 'en',
  resources: { en: { translation: en } },
  // Keys are flat, and some are whole English phrases of the core.
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
});

/** Speaks a language from now on; its words are fetched when first needed. */
export async function speak(language: Locale): Promise<void> {
  if (languageOf(language) !== 'en' && !i18next.hasResourceBundle(language, 'translation'))
    i18next.addResourceBundle(language, 'translation', (await import('./es.json')).default);
  await i18next.changeLanguage(language);
}

i18next.on('languageChanged', (language) => {
  localStorage.setItem('rama.language', language);
  document.documentElement.lang = language;
});

/** The words of the first page are there. */
export const ready = speak(firstLanguage());

export default i18next;
