import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { asFile, readNotTaken, sendAgain } from './notTaken';
import { enqueue, store, waitingByEstate } from './queue';
import { send } from './sending';

interface Batch {
  device: string;
  entries: { id: string; sequence: number }[];
}
const sent: Batch[] = [];
let answer: (entries: { id: string }[]) => { status: number; data?: unknown };

const receipts = (outcome: string) => (entries: { id: string }[]) => ({
  status: 200,
  data: entries.map((e) => ({ id: e.id, outcome, problems: [] })),
});
const status = (code: number) => () => ({ status: code });

vi.mock('../api/client', () => {
  class RequestError extends Error {
    constructor(readonly status: number) {
      super(String(status));
    }
  }
  return {
    RequestError,
    api: { POST: (_: string, { body }: { body: Batch }) => ({ body }) },
    answered: ({ body }: { body: Batch }) => {
      sent.push(body);
      const { status: code, data } = answer(body.entries);
      return code === 200 ? Promise.resolve(data) : Promise.reject(new RequestError(code));
    },
  };
});

beforeEach(async () => {
  vi.stubGlobal('navigator', {});
  sent.length = 0;
  await Promise.all(store.tables.map((table) => table.clear()));
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const me = { estate: 'e', person: null };
const here = { planting: '01a20abb-6fcb-7926-ac49-3e44924238a7', season: 2027, row: 1, tree: 1 };
const gone = { ...here, kind: 'skip', body: 'gone' } as const;
const standings = async () => (await store.queue.orderBy('sequence').toArray()).map((q) => q.standing);

test('entries go once, in the order they were made', async () => {
  answer = receipts('taken');
  for (let tree = 1; tree <= 3; tree++) await enqueue(me, { ...here, tree, kind: 'tree', body: { floralBuds: tree } });
  expect(await send('e')).toBe('idle');
  expect(await send('e')).toBe('idle');
  expect(sent).toHaveLength(1);
  expect(sent[0]!.entries.map((e) => e.sequence)).toEqual([1, 2, 3]);
});

test('two at once send nothing twice in number: the order goes on after a closed page', async () => {
  answer = receipts('taken');
  await Promise.all([enqueue(me, gone), enqueue(me, gone), enqueue(me, gone)]);
  expect((await store.queue.orderBy('sequence').toArray()).map((q) => q.sequence)).toEqual([1, 2, 3]);
});

test('without an answer, or a sign-in, everything stays', async () => {
  await enqueue(me, gone);
  answer = () => {
    throw new TypeError('no signal');
  };
  expect(await send('e')).toBe('offline');
  answer = status(401);
  expect(await send('e')).toBe('signed-out');
  answer = status(403);
  expect(await send('e')).toBe('forbidden');
  answer = status(500);
  expect(await send('e')).toBe('trouble');
  expect(await standings()).toEqual(['waiting']);
});

test('what is refused or in conflict is kept and said', async () => {
  await enqueue(me, gone);
  answer = receipts('conflict');
  await send('e');
  await enqueue(me, gone);
  answer = receipts('refused');
  await send('e');
  expect(await standings()).toEqual(['conflict', 'refused']);
});

test('what the server has another estate at hand for waits, and is asked for once', async () => {
  answer = receipts('elsewhere');
  await enqueue(me, gone);
  expect(await send('e')).toBe('elsewhere');
  expect(sent).toHaveLength(1);
  expect(sent[0]!.entries[0]).toMatchObject({ estate: 'e' });
  expect(await standings()).toEqual(['waiting']);
});

test('what was refused can be kept as a file and sent again', async () => {
  answer = receipts('refused');
  await enqueue(me, gone);
  await send('e');
  const kept = await readNotTaken();
  expect(JSON.parse(await asFile(kept).text())).toMatchObject({ entries: [{ kind: 'skip', estate: 'e' }] });
  await sendAgain();
  answer = receipts('taken');
  await send('e');
  expect(await standings()).toEqual(['sent']);
});

test('what waits is told by its estate', async () => {
  await enqueue(me, gone);
  await enqueue({ ...me, estate: 'other' }, gone);
  await enqueue({ ...me, estate: 'other' }, gone);
  const waiting = await waitingByEstate();
  expect([waiting.get('e'), waiting.get('other')]).toEqual([1, 2]);
});

test('another estate’s entries wait for it', async () => {
  answer = receipts('taken');
  await enqueue({ ...me, estate: 'other' }, gone);
  expect(await send('e')).toBe('idle');
  expect(sent).toHaveLength(0);
  expect(await standings()).toEqual(['waiting']);
});
