import { expect, it } from 'vitest';
import enCount from './en-count.json';
import enPrescribe from './en-prescribe.json';
import enPages from './en-pages.json';
import en from './en.json';
import es from './es.json';

const english: Record<string, string> = { ...en, ...enPages, ...enCount, ...enPrescribe };

const placeholders = (text: string) => [...new Set(text.match(/\{\{\w+\}\}/g) ?? [])].sort();

// The core's own English is metric: a sentence with lengths, masses or areas needs a template in English, too.
it('tells every sentence with a unit in the units of the reader, in both languages', () => {
  const withUnits = Object.entries(es).filter(([key, text]) => key.startsWith('notice:') && /\{\{u\d\}\}/.test(text));
  expect(withUnits.length).toBeGreaterThan(12);
  for (const [key, text] of withUnits)
    expect([key, placeholders(english[key] ?? '')]).toEqual([key, placeholders(text)]);
});

it('writes no unit of its own beside a figure that the reader has in another', () => {
  const fixed = Object.entries({ ...english, ...es })
    .filter(([key]) => key.startsWith('notice:'))
    .filter(([, text]) => /\}\} ?(cm|mm|m|kg|t\/ha|t|ha|in|ft|lb|ac)(?![\p{L}²])/u.test(text));
  expect(fixed).toEqual([]);
});
