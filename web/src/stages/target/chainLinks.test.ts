import { describe, expect, it } from 'vitest';
import { linkOf } from './chainLinks';

describe('the link a unit belongs to', () => {
  it.each([
    ['t/ha', 'area'],
    ['bushel/ac', 'area'],
    ['kg/tree', 'tree'],
    ['box/tree', 'tree'],
    ['fruit/tree', 'fruit'],
    ['bud/tree', 'buds'],
    ['bud/limb', 'limb'],
  ])('%s → %s', (unit, link) => {
    expect(linkOf(unit)).toBe(link);
  });
});
