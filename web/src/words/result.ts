import i18next from 'i18next';
import words from './en-result.json';

// English words of what came of a season: they come with those pages, so that the first page stays small. Spanish is
// one file.
i18next.addResourceBundle('en', 'translation', words, true, true);
