import { createContext } from 'react';

/** How the crop at hand bears, where its own words are needed; null where none is at hand. */
export const HabitContext = createContext<string | null>(null);

/**
 * A sentence in the words of a bearing habit: what is counted on a peach are fruiting shoots, not floral buds.
 * `words` are patterns of whole words and what stands for them, one after the other, as `bud(s?)=shoot$1`; where the
 * new word has another gender, the words around it come first.
 */
export function inHabit(text: string, words: string): string {
  return words
    .split('|')
    .filter(Boolean)
    .reduce((said, rule) => {
      const [from, to] = rule.split('=') as [string, string];
      return said.replace(new RegExp(`(?<![\\p{L}])${from}(?![\\p{L}])`, 'gu'), to);
    }, text);
}
