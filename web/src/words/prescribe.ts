import i18next from 'i18next';
import words from './en-prescribe.json';

// English words of bench, choices and cards: they come with those pages, so that the first page stays small. Spanish is
// one file.
i18next.addResourceBundle('en', 'translation', words, true, true);
