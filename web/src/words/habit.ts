import { createContext } from 'react';

/** How the crop at hand bears, where its own words are needed; null where none is at hand. */
export const HabitContext = createContext<string | null>(null);

/**
 * A sentence in the words of a bearing habit: what is counted on a peach are fruiting shoots, not floral buds. `words` tells
 * which word stands for which, as `bud=shoot|Bud=Shoot`; a plural takes its s along.
 */
export function inHabit(text: string, words: string): string {
  return words.split('|').filter(Boolean).reduce((said, pair) => {
    const [from, to] = pair.split('=') as [string, string];
    return said.replace(new RegExp(`(?<![\\p{L}])${from}(s?)(?![\\p{L}])`, 'gu'), `${to}$1`);
  }, text);
}
