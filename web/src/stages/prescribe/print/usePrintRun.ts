import { useRef, useState } from 'react';
import type { PrintRunEntry, PrintStep, PruningCard } from '../../../api/client';
import { useLongWork } from '../../../exchange/useLongWork';

/** A card of a run, as it is printed. */
export interface RunCard {
  planting: string;
  card: PruningCard;
}

/** Cards shown at a time while a run goes on: each showing lays the page out. */
const SHOWN_AT_ONCE = 20;

/** Writes the cards of many plantings, or hands them out; they are there as they come. */
export function usePrintRun(handOut: boolean) {
  const { start, ...work } = useLongWork<PrintStep>(`/api/v1/cards/${handOut ? 'hand-out' : 'print'}`);
  const [cards, setCards] = useState<RunCard[]>([]);
  const [without, setWithout] = useState<string[]>([]);
  const waiting = useRef<RunCard[]>([]);
  const show = () => {
    const more = waiting.current;
    waiting.current = [];
    setCards((shown) => [...shown, ...more]);
  };
  return {
    ...work,
    cards,
    /** Plantings of the run without a prescription. */
    without,
    clear: () => {
      setCards([]);
      setWithout([]);
    },
    run: async (entry: PrintRunEntry) => {
      waiting.current = [];
      setCards([]);
      setWithout([]);
      await start(entry, async ({ planting, cards: written }) => {
        if (!planting) return;
        if (written.length === 0) setWithout((before) => [...before, planting]);
        waiting.current.push(...written.map((card) => ({ planting, card })));
        if (waiting.current.length >= SHOWN_AT_ONCE) show();
      });
      show();
    },
  };
}
