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

/** A planting whose answers were copied: as they were, and the version they were saved as. */
interface Copied {
  line: SeasonLine;
  before: CuttingEntry;
  version: number;
}

const read = (id: string) => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id } } }));

const save = (id: string, version: number, cutting: CuttingEntry) =>
  answered(api.PUT('/api/v1/plantings/{id}/cutting', { params: { path: { id } }, body: { version, cutting } }));

/** Copies how one planting is cut to others of its system, one after the other, and takes it back again. */
export function useAnswers() {
  const client = useQueryClient();
  const [went, setWent] = useState<Went | null>(null);
  const [isRunning, setRunning] = useState(false);
  const [copied, setCopied] = useState<Copied[]>([]);
  const stopped = useRef(false);

  async function each<T extends { line: SeasonLine }>(all: T[], act: (one: T) => Promise<void>) {
    stopped.current = false;
    setRunning(true);
    const failed: string[] = [];
    for (const [i, one] of all.entries()) {
      if (stopped.current) break;
      await act(one).catch(() => failed.push(one.line.code));
      setWent({ done: i + 1, of: all.length, failed: [...failed] });
    }
    setRunning(false);
    await client.invalidateQueries();
    return failed;
  }

  return {
    went,
    isRunning,
    canUndo: !isRunning && copied.length > 0,
    stop: () => {
      stopped.current = true;
    },
    copy: async (from: SeasonLine, to: SeasonLine[]) => {
      const { answers, settings, way } = (await read(from.id)).cutting;
      const done: Copied[] = [];
      await each(
        to.map((line) => ({ line })),
        async ({ line }) => {
          const { planVersion, cutting: before } = await read(line.id);
          // What demonstration trees showed belongs to the planting they stand in.
          const after = await save(line.id, planVersion, { ...before, answers, settings, way });
          done.push({ line, before, version: after.planVersion });
        },
      );
      setCopied(done);
    },
    /** Takes it back where nobody saved anything since. */
    undo: async () => {
      setCopied([]);
      const failed = await each(copied, async ({ line, before, version }) => {
        await save(line.id, version, before);
      });
      if (failed.length === 0) setWent(null);
    },
  };
}
