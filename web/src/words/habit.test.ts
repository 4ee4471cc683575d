import { describe, expect, it } from 'vitest';
import en from './en.json';
import es from './es.json';
import { inHabit } from './habit';

describe('the words of a bearing habit', () => {
  it('says shoots for a peach, whole words only', () => {
    const words = en['habit:oneYearShoot'];
    expect(inHabit('Leave 40 floral buds a tree, 2 buds a limb', words)).toBe('Leave 40 fruiting shoots a tree, 2 shoots a limb');
    expect(inHabit('Budbreak; one bud', words)).toBe('Budbreak; one shoot');
  });
  it('keeps the gender in Spanish', () => expect(inHabit('las yemas de flor y una yema', es['habit:oneYearShoot'])).toBe('las varetas y una vareta'));
  it('says flower buds for a cherry', () => expect(inHabit('Floral buds', en['habit:spurFlowerBud'])).toBe('Flower buds'));
  it('leaves pome fruit as it is', () => expect(inHabit('floral buds', '')).toBe('floral buds'));
});
