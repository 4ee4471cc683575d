import { describe, expect, it } from 'vitest';
import type { FieldKit, WorkReportEntry } from '../../../api/client';
import type { Queued } from '../../../field/queue';
import { hoursBetween, ownReports, rowsDone } from './work';

const told = (id: string, rows: number[], supersedes: string | null = null) =>
  ({ id, entry: { kind: 'work', body: { pass: 'winter', rows } as WorkReportEntry, supersedes } }) as unknown as Queued;

const takenBack = (id: string) => ({ id: `${id}-back`, entry: { supersedes: id } }) as unknown as Queued;

const kit = { work: { crews: [], done: { winter: [1, 2] }, shares: {} } } as unknown as FieldKit;

describe('work in the row', () => {
  it('knows rows of the office and of this device', () => {
    expect([...rowsDone(kit, [told('a', [3])], 'winter')]).toEqual([1, 2, 3]);
    expect([...rowsDone(kit, [told('a', [3])], 'brush')]).toEqual([]);
  });

  it('forgets what was taken back', () => {
    const made = [told('a', [3]), takenBack('a')];
    expect(ownReports(made, 'winter')).toEqual([]);
    expect([...rowsDone(kit, made, 'winter')]).toEqual([1, 2]);
  });

  it('tells what took its place', () => {
    const made = [told('a', [3]), told('b', [4], 'a')];
    expect(ownReports(made, 'winter').map((r) => r.report.rows)).toEqual([[4]]);
  });

  it('rounds hours to the quarter', () => {
    const from = new Date('2027-01-27T07:00:00Z');
    expect(hoursBetween(from, new Date('2027-01-27T10:40:00Z'))).toBe(3.75);
    expect(hoursBetween(from, new Date('2027-01-27T06:00:00Z'))).toBe(0);
  });
});
