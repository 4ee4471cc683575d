import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import type { Language } from '../units/format';
import en from './en.json';
import es from './es.json';

/** Language chosen on this device before, or the browser's. */
function firstLanguage(): Language {
  const chosen = localStorage.getItem('rama.language') ?? navigator.language;
  return chosen.startsWith('es') ? 'es' : 'en';
}

void i18next.use(initReactI18next).init({
  lng: firstLanguage(),
  fallbackLng: 'en',
  resources: { en: { translation: en }, es: { translation: es } },
  // Keys are flat, and some are whole English phrases of the core.
  keySeparator: false,
  nsSeparator: false,
  interpolation: { escapeValue: false },
});

i18next.on('languageChanged', (language) => {
  localStorage.setItem('rama.language', language);
  document.documentElement.lang = language;
});
document.documentElement.lang = i18next.language;

export default i18next;
