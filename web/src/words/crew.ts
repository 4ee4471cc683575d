import i18next from 'i18next';
import words from './en-crew.json';

// English words of the crew plan and of work in the row: they come with those pages, so that the first page stays
// small. Spanish is one file.
i18next.addResourceBundle('en', 'translation', words, true, true);
