import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { RequestError } from '../api/client';
import { useReading } from '../words/useReading';
import type { FileProgress } from './sendFile';

/** How files of one sort are looked at, checked and taken in. */
export interface FileWay<View extends { guess: Mapping }, Mapping, Report> {
  /** What a file holds, and a guess which column is which; null when it was taken in whole. */
  read(file: File, signal: AbortSignal): Promise<View | null>;
  /** Checks or takes in what a file holds; aborting the signal cancels it on the server. */
  run(
    step: 'check' | 'save',
    what: { file: File; mapping: Mapping },
    onProgress: (progress: FileProgress) => void,
    signal: AbortSignal,
  ): Promise<Report>;
}

/**
 * One file on its way in, from choosing it to its end: guessed, mapped, checked, saved. A change of the mapping checks
 * afresh; leaving cancels.
 */
export function useFileWork<View extends { guess: Mapping }, Mapping, Report extends { saved: boolean }>() {
  const { t } = useReading();
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [found, setFound] = useState<{ way: FileWay<View, Mapping, Report>; view: View; mapping: Mapping } | null>(
    null,
  );
  const [report, setReport] = useState<Report | null>(null);
  const [running, setRunning] = useState<(FileProgress & { saving: boolean }) | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
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

  async function run(
    what: 'check' | 'save',
    way: FileWay<View, Mapping, Report>,
    sent: { file: File; mapping: Mapping },
    signal: AbortSignal,
  ) {
    const saving = what === 'save';
    setReport(null);
    setRunning({ saving, done: 0, lines: null });
    const told = await way.run(
      what,
      sent,
      (progress) => {
        setRunning({ saving, ...progress });
      },
      signal,
    );
    setReport(told);
    if (told.saved) await client.invalidateQueries();
  }

  return {
    file,
    view: found?.view ?? null,
    mapping: found?.mapping ?? null,
    report,
    running,
    failure,
    /** Does something else with a file, as a step that can be cancelled. */
    step: (act: (signal: AbortSignal) => Promise<void>) => void step(act),
    /** Reads a file and checks it; saving where reading takes it in whole. */
    choose: (chosen: File, way: FileWay<View, Mapping, Report>, saving = false) =>
      void step(async (signal) => {
        setFile(chosen);
        setFound(null);
        setReport(null);
        setRunning({ saving, done: 0, lines: null });
        const view = await way.read(chosen, signal);
        if (view === null) return;
        setFound({ way, view, mapping: view.guess });
        await run('check', way, { file: chosen, mapping: view.guess }, signal);
      }),
    map: (mapping: Mapping) => {
      if (!file || !found) return;
      setFound({ ...found, mapping });
      void step((signal) => run('check', found.way, { file, mapping }, signal));
    },
    save: () => {
      if (file && found) void step((signal) => run('save', found.way, { file, mapping: found.mapping }, signal));
    },
    /** Stops what is running; on the server nothing is saved. */
    cancel: () => {
      work.current?.abort();
      setRunning(null);
      setFailure(t('import.cancelled'));
    },
  };
}
