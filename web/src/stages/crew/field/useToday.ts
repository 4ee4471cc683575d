import { useLiveQuery } from 'dexie-react-hooks';
import type { TodayView } from '../../../api/client';
import { store } from '../../../field/queue';
import type { KeptToday } from './days';

const keyOf = (estate: string) => `today:${estate}`;

/** The days of the crews as they were taken along last; undefined while they are looked for, null when never. */
export function useToday(estate: string): KeptToday | null | undefined {
  return useLiveQuery(async () => ((await store.kept.get(keyOf(estate)))?.value as KeptToday) ?? null, [estate]);
}

/** Keeps the days of the crews. */
export async function keepToday(estate: string, view: TodayView) {
  await store.kept.put({ key: keyOf(estate), value: { view, at: new Date().toISOString() } });
}
