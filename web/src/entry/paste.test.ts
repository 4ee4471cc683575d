import { describe, expect, it } from 'vitest';
import { paste } from './paste';

const columns = ['row', 'tree', 'girth', 'limbs', 'buds'];
const first = { row: '1', tree: '2', girth: '15', limbs: '20', buds: '200' };

describe('pasting into a sheet', () => {
  it('fills lines below, and drops cells beyond the last column', () =>
    expect(paste([first, {}], columns, '3\t4\t15,5\t22\t210\textra\r\n3\t9\t\t21\t190\r\n', 1, 0)).toEqual([
      first,
      { row: '3', tree: '4', girth: '15,5', limbs: '22', buds: '210' },
      { row: '3', tree: '9', girth: '', limbs: '21', buds: '190' },
    ]));

  it('starts at the cell it is pasted into', () =>
    expect(paste([first], columns, '23\t250\n', 0, 3)).toEqual([{ ...first, limbs: '23', buds: '250' }]));

  it('leaves a single cell to the browser', () => expect(paste([first], columns, '42', 0, 0)).toBeNull());
});
