import { describe, expect, it } from 'vitest';
import { steps } from './steps';

function streamOf(...pieces: string[]) {
  const encoder = new TextEncoder();
  return new ReadableStream<Uint8Array>({
    start(controller) {
      for (const piece of pieces) controller.enqueue(encoder.encode(piece));
      controller.close();
    },
  });
}

async function all(...pieces: string[]) {
  const found = [];
  for await (const step of steps<unknown>(streamOf(...pieces))) found.push(step);
  return found;
}

describe('the steps of an import', () => {
  it('are read however the network cuts them', async () =>
    expect(await all('data: {"progress":{"done":0,"li', 'nes":2}}\n', '\ndata: {"failure":"ñ', 'o"}\n\n')).toEqual([
      { progress: { done: 0, lines: 2 } },
      { failure: 'ño' },
    ]));

  it('leave out one that is not finished', async () =>
    expect(await all('data: {"failure":"a"}\n\ndata: {"fail')).toEqual([{ failure: 'a' }]));
});
