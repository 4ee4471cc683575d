import { describe, expect, it } from 'vitest';
import type { WorkReportEntry } from '../../../api/client';
import type { KeptKit, Queued } from '../../../field/queue';
import { hoursBetween, ownReports, rowsDone } from './work';

const kept = {
  at: '2027-01-27T08:00:00Z',
  kit: { season: 2027, work: { crews: [], done: { winter: [1, 2] }, shares: {}, mostHours: 16 } },
} as unknown as KeptKit;

const told = (id: string, rows: number[], more: Partial<Queued> = {}, supersedes: string | null = null) =>
  ({
    id,
    at: '2027-01-27T09:00:00Z',
    standing: 'waiting',
    ...more,
    entry: {
      kind: 'work',
      season: 2027,
      supersedes,
      body: { pass: 'winter', rows } as WorkReportEntry,
      ...more.entry,
    },
  }) as unknown as Queued;

const takenBack = (id: string) =>
  ({
    id: `${id}-back`,
    at: '2027-01-27T09:30:00Z',
    standing: 'waiting',
    entry: { supersedes: id },
  }) as unknown as Queued;

describe('work in the row', () => {
  it('knows rows of the office and of this device', () => {
    expect([...rowsDone(kept, [told('a', [3])], 'winter')]).toEqual([1, 2, 3]);
    expect([...rowsDone(kept, [told('a', [3])], 'brush')]).toEqual([]);
  });

  it('forgets what was taken back', () => {
    const made = [told('a', [3]), takenBack('a')];
    expect(ownReports(kept, made, 'winter')).toEqual([]);
    expect([...rowsDone(kept, made, 'winter')]).toEqual([1, 2]);
  });

  it('tells what took its place', () => {
    const made = [told('a', [3]), told('b', [4], {}, 'a')];
    expect(ownReports(kept, made, 'winter').map((r) => r.report.rows)).toEqual([[4]]);
  });

  it('leaves what was sent before to the kit, and what was refused or is of last winter out', () => {
    const before = told('a', [3], { standing: 'sent', at: '2027-01-27T07:00:00Z' });
    const since = told('b', [4], { standing: 'sent', at: '2027-01-27T09:00:00Z' });
    const refused = told('c', [5], { standing: 'refused' });
    const lastWinter = told('d', [6], { entry: { season: 2026 } as Queued['entry'] });
    expect([...rowsDone(kept, [before, since, refused, lastWinter], 'winter')]).toEqual([1, 2, 4]);
  });

  it('rounds hours to the quarter', () => {
    const from = new Date('2027-01-27T07:00:00Z');
    expect(hoursBetween(from, new Date('2027-01-27T10:40:00Z'))).toBe(3.75);
    expect(hoursBetween(from, new Date('2027-01-27T06:00:00Z'))).toBe(0);
  });
});
