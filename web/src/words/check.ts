import i18next from 'i18next';
import words from './en-check.json';

// English words of the checks of finished trees: they come with those pages, so that the first page stays small.
// Spanish is one file.
i18next.addResourceBundle('en', 'translation', words, true, true);
