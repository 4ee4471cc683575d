import { describe, expect, it } from 'vitest';
import en from './en.json';
import es from './es.json';
import { inHabit } from './habit';

describe('the words of a bearing habit', () => {
  it('says shoots for a peach, whole words only', () => {
    const words = en['habit:oneYearShoot'];
    expect(inHabit('Leave 40 floral buds a tree, 2 buds a limb', words)).toBe(
      'Leave 40 fruiting shoots a tree, 2 shoots a limb',
    );
    expect(inHabit('Budbreak; one bud', words)).toBe('Budbreak; one shoot');
  });
  it('keeps the gender in Spanish', () => {
    const words = es['habit:oneYearShoot'];
    expect(inHabit('las yemas de flor y una yema', words)).toBe('los ramos mixtos y un ramo mixto');
    expect(inHabit('Todas las yemas contadas; Yemas de flor dejadas', words)).toBe(
      'Todos los ramos mixtos contados; Ramos mixtos dejados',
    );
    expect(inHabit('por yema, demasiadas yemas', words)).toBe('por ramo mixto, demasiados ramos mixtos');
  });
  it('says flower buds for a cherry', () =>
    expect(inHabit('Floral buds', en['habit:spurFlowerBud'])).toBe('Flower buds'));
  it('leaves pome fruit as it is', () => expect(inHabit('floral buds', '')).toBe('floral buds'));
});
