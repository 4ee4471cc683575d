import { useEffect, useRef, useState } from 'react';
import { RequestError, type Problem } from '../api/client';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import { steps } from './steps';

/**
 * Long work that tells its steps while it goes on; what is refused is told at its field. Who leaves the page, or stops
 * it, ends it.
 */
export function useLongWork<S extends { problem?: string | null }>(path: string) {
  const { t } = useReading();
  const { attempt, busy, ...told } = useAttempt();
  const running = useRef<AbortController | null>(null);
  const [step, setStep] = useState<S | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  return {
    ...told,
    step,
    isRunning: busy,
    stop: () => {
      running.current?.abort();
    },
    start: async (body: unknown, onStep?: (step: S) => Promise<void>) => {
      const mine = new AbortController();
      running.current = mine;
      setStep(null);
      return attempt(async () => {
        try {
          const response = await fetch(path, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            signal: mine.signal,
            body: JSON.stringify(body),
          });
          if (response.status === 429) throw new RequestError(429, { title: t('failure.busy') });
          if (!response.ok || !response.body)
            throw new RequestError(response.status, (await response.json().catch(() => ({}))) as Problem);
          for await (const next of steps<S>(response.body)) {
            if (next.problem) throw new RequestError(500, { title: next.problem });
            setStep(next);
            await onStep?.(next);
          }
        } catch (e) {
          if (!mine.signal.aborted) throw e;
        }
      });
    },
  };
}
