import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, it } from 'vitest';
import words from './en.json';
import ofPages from './en-pages.json';

const source = join(import.meta.dirname, '..');

/** What the browser gets before it shows the first page: everything `main.tsx` imports, as long as nobody asks. */
function firstFiles(file: string, known = new Map<string, string>()) {
  if (known.has(file)) return known;
  const text = readFileSync(file, 'utf8');
  known.set(file, text);
  for (const [, from, bare] of text.matchAll(
    /^(?:import|export)(?! type)[^;]*?from '(\.[^']+)'|^import '(\.[^']+)'/gm,
  )) {
    const path = join(dirname(file), (from ?? bare)!);
    const found = [`${path}.ts`, `${path}.tsx`].find(existsSync);
    if (found) firstFiles(found, known);
  }
  return known;
}

// The sheet of keys comes with the words of pages; sentences of the core are told on no first page.
const files = [...firstFiles(join(source, 'main.tsx'))].filter(([file]) => !file.endsWith('ofPages.ts'));
const ofOthers = Object.keys(ofPages).filter((key) => !key.startsWith('notice:') && !(key in words));
const plain = (key: string) => key.replace(/@.*$/, '').replace(/(_ordinal)?_(one|two|few|other)$/, '');

it('reads the files of the first page', () => {
  expect(files.map(([file]) => file).filter((file) => /(Season|Target)(Page|Stage)\.tsx$/.test(file))).toEqual([
    join(source, 'stages/season/SeasonPage.tsx'),
  ]);
});

it('has the words of the first page without those of the others', () => {
  const missing = files.flatMap(([file, text]) => {
    // Paths of pages look like words.
    const said = text.replace(/path: '[^']*'|later\(.*?\);/g, '');
    const literal = new Set([...said.matchAll(/'([^'\n]+)'/g)].map(([, key]) => key!));
    const begun = [...said.matchAll(/`([^`$]{2,})\$\{/g)].map(([, start]) => start!);
    return ofOthers
      .filter((key) => literal.has(plain(key)) || begun.some((start) => key.startsWith(start)))
      .map((key) => `${file.slice(source.length + 1)}: ${key}`);
  });
  expect(missing).toEqual([]);
});
