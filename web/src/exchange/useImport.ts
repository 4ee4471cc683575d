import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { RequestError, type FileView, type ImportMapping, type ImportReport } from '../api/client';
import { useReading } from '../words/useReading';
import { problemFile, readEstate, readFile, runImport } from './importFile';

/**
 * One import of at most so many bytes, from choosing the file to its end. A change of the mapping checks afresh;
 * leaving cancels.
 */
export function useImport(mostBytes: number) {
  const { t } = useReading();
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [view, setView] = useState<FileView | null>(null);
  const [mapping, setMapping] = useState<ImportMapping | null>(null);
  const [report, setReport] = useState<ImportReport | null>(null);
  const [running, setRunning] = useState<{ saving: boolean; done: number; lines: number } | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [estateRead, setEstateRead] = useState(false);
  const work = useRef<AbortController | null>(null);
  useEffect(
    () => () => {
      work.current?.abort();
    },
    [],
  );

  /** Runs one step at a time: a new one takes the place of the last. */
  async function step(act: (signal: AbortSignal) => Promise<void>) {
    work.current?.abort();
    const mine = new AbortController();
    work.current = mine;
    setFailure(null);
    try {
      await act(mine.signal);
    } catch (e) {
      if (mine.signal.aborted) return;
      setFailure(
        e instanceof RequestError
          ? (e.problem.problems?.[0]?.message.replace(/^File: /, '') ?? e.message)
          : t('failure.server'),
      );
    } finally {
      if (work.current === mine) setRunning(null);
    }
  }

  async function check(chosen: File, next: ImportMapping, save: boolean, signal: AbortSignal) {
    setReport(null);
    setRunning({ saving: save, done: 0, lines: 0 });
    const told = await runImport(
      save ? 'save' : 'check',
      chosen,
      next,
      (done, lines) => {
        setRunning({ saving: save, done, lines });
      },
      signal,
    );
    setReport(told);
    if (told.saved) await client.invalidateQueries();
  }

  const choose = (chosen: File, table: string | null) =>
    step(async (signal) => {
      setFile(chosen);
      setReport(null);
      setEstateRead(false);
      if (chosen.size > mostBytes)
        throw new RequestError(413, { title: t('import.too-large', { mb: Math.round(mostBytes / 1024 / 1024) }) });
      if (chosen.name.toLowerCase().endsWith('.zip')) {
        setView(null);
        setMapping(null);
        setRunning({ saving: true, done: 0, lines: 0 });
        await readEstate(chosen, signal);
        setEstateRead(true);
        await client.invalidateQueries();
        return;
      }
      const read = await readFile(chosen, table, signal);
      setView(read);
      setMapping(read.guess);
      await check(chosen, read.guess, false, signal);
    });

  return {
    file,
    view,
    mapping,
    report,
    running,
    failure,
    estateRead,
    choose: (chosen: File) => void choose(chosen, null),
    chooseTable: (table: string) => {
      if (file) void choose(file, table);
    },
    map: (next: ImportMapping) => {
      setMapping(next);
      if (file) void step((signal) => check(file, next, false, signal));
    },
    save: () => {
      if (file && mapping) void step((signal) => check(file, mapping, true, signal));
    },
    /** Stops what is running; on the server nothing is saved. */
    cancel: () => {
      work.current?.abort();
      setRunning(null);
      setFailure(t('import.cancelled'));
    },
    downloadProblems: () => {
      if (!file || !mapping) return;
      void step(async (signal) => {
        const link = document.createElement('a');
        link.href = URL.createObjectURL(await problemFile(file, mapping, signal));
        link.download = `${file.name.replace(/\.\w+$/, '')}-problems.csv`;
        link.click();
        URL.revokeObjectURL(link.href);
      });
    },
  };
}
