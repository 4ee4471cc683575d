import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, answered, type CuttingEntry, type SeasonLine } from '../../api/client';

/** What became of the plantings work on many went through. */
export interface Went {
  done: number;
  of: number;
  /** Codes of those somebody else saved meanwhile, or that would not take it. */
  failed: string[];
}

const read = (id: string) => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id } } }));

async function change(id: string, to: (now: CuttingEntry) => CuttingEntry) {
  const { planVersion, cutting } = await read(id);
  const body = { version: planVersion, cutting: to(cutting) };
  await answered(api.PUT('/api/v1/plantings/{id}/cutting', { params: { path: { id } }, body }));
  return cutting;
}

/** Copies how one planting is cut to others of its system, one after the other, and takes it back again. */
export function useAnswers() {
  const client = useQueryClient();
  const [went, setWent] = useState<Went | null>(null);
  const [isRunning, setRunning] = useState(false);
  const [before, setBefore] = useState<[SeasonLine, CuttingEntry][]>([]);
  const stopped = useRef(false);

  async function each(lines: SeasonLine[], act: (line: SeasonLine) => Promise<void>) {
    stopped.current = false;
    setRunning(true);
    const failed: string[] = [];
    for (const [i, line] of lines.entries()) {
      if (stopped.current) break;
      setWent({ done: i, of: lines.length, failed });
      await act(line).catch(() => failed.push(line.code));
      setWent({ done: i + 1, of: lines.length, failed });
    }
    setRunning(false);
    await client.invalidateQueries();
  }

  return {
    went,
    isRunning,
    canUndo: !isRunning && before.length > 0,
    stop: () => {
      stopped.current = true;
    },
    copy: async (from: SeasonLine, to: SeasonLine[]) => {
      const { answers, settings, way } = (await read(from.id)).cutting;
      const was: typeof before = [];
      await each(to, async (line) => {
        // What demonstration trees showed belongs to the planting they stand in.
        was.push([line, await change(line.id, (now) => ({ ...now, answers, settings, way }))]);
      });
      setBefore(was);
    },
    undo: async () => {
      setBefore([]);
      const was = new Map(before.map(([line, cutting]) => [line.id, cutting]));
      await each(
        before.map(([line]) => line),
        async (line) => {
          const { answers, settings, way } = was.get(line.id)!;
          await change(line.id, (now) => ({ ...now, answers, settings, way }));
        },
      );
      setWent(null);
    },
  };
}
