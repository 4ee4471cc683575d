import { useState } from 'react';
import { RequestError, type FieldProblem } from '../api/client';
import { useReading } from '../words/useReading';
import { problemText } from './problemText';

/** Tries something the server may refuse: what is wrong at which field, and what failed beside any field. */
export function useAttempt() {
  const reading = useReading();
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  return {
    failure,
    busy,
    problem: (field: string) => {
      const found = problems.find((p) => p.field === field);
      return found && problemText(found, reading);
    },
    /** The first of the fields a pattern means, as of a list of which one form stands for all. */
    problemLike: (fields: RegExp) => {
      const found = problems.find((p) => fields.test(p.field));
      return found && problemText(found, reading);
    },
    /** Fields whose text is no number, before anything is sent. */
    unreadable: (fields: string[]) => {
      setProblems(fields.map((field) => ({ field, code: 'text', message: '', min: null, max: null, unit: null })));
    },
    /** Says why it is not even tried; null takes back what was said. */
    refuse: (why: string | null) => {
      setProblems([]);
      setFailure(why);
    },
    /** True when it was done. */
    attempt: async (act: () => Promise<void>): Promise<boolean> => {
      setBusy(true);
      setFailure(null);
      setProblems([]);
      try {
        await act();
        return true;
      } catch (e) {
        if (e instanceof RequestError && e.problem.problems) setProblems(e.problem.problems);
        else setFailure(e instanceof RequestError ? e.message : reading.t('failure.server'));
        return false;
      } finally {
        setBusy(false);
      }
    },
  };
}
