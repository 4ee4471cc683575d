import i18next from 'i18next';
import words from './en-pages.json';

// English words of every page but the first: they come with the first of those pages. Spanish is one file.
i18next.addResourceBundle('en', 'translation', words, true, true);
