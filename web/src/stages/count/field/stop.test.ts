import { expect, test } from 'vitest';
import { floralBuds, running } from './stop';

// R: qt(c(.975, .995), 4) * sqrt(1/5 - 1/2400) = 1.24036992 and 2.0568679; qt(c(.975, .995), 9) * sqrt(1/10 - 1/2400) =
// 0.713865023 and 1.02554498.
const factor95 = Array.from({ length: 40 }, (_, n) => (n === 5 ? 1.24036992 : n === 10 ? 0.713865023 : 0));
const factor99 = Array.from({ length: 40 }, (_, n) => (n === 5 ? 2.0568679 : n === 10 ? 1.02554498 : 0));
const stop = { fewest: 5, planned: 10, bandLow: 146.7, bandHigh: 179.3, factor95, factor99 };

test('ten trees of the handbook have their interval', () => {
  // R: t.test(x)$conf.int of these trees is 183.0 to 221.0 without, 183.0 to 221.0 with 2400 trees standing (handbook
  // 2.5).
  const ten = running([182, 201, 233, 164, 250, 190, 176, 221, 208, 195], stop)!;
  expect(ten.mean).toBe(202);
  expect(ten.half95).toBeCloseTo(19.0, 1);
});

test('it says when to stop and when not', () => {
  expect(running([290, 310, 275, 320], stop)!.verdict).toBe('too-few');
  expect(running([290, 310, 275, 320, 305], stop)!.verdict).toBe('settled');
  expect(running([120, 240, 150, 210, 180], stop)!).toMatchObject({ verdict: 'go-on', more: 5 });
  expect(running([120, 240, 150, 210, 180, 120, 240, 150, 210, 180], stop)!.verdict).toBe('not-settled');
  expect(running([150, 160], { ...stop, bandLow: null, bandHigh: null })!.verdict).toBe('no-target');
  expect(running([], stop)).toBeNull();
});

test('a kind without a share waits', () => {
  const kit = { shares: [{ kind: 'spur', share: 0.6, low: 0.4, high: 0.8, moreToCut: 9 }], floralShare: null };
  expect(floralBuds({ kinds: [{ kind: 'spur', buds: 100 }] }, kit)).toBe(60);
  expect(floralBuds({ kinds: [{ kind: 'lateral', buds: 10 }] }, kit)).toBeNull();
  expect(floralBuds({ floralBuds: 33 }, kit)).toBe(33);
});
