import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type PlannedPass } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** Saves a decision on a pass, or a report of it; what is wrong stands at its field. */
export function usePassChange(pass: string, version: number) {
  const { view } = usePlantingWork();
  const client = useQueryClient();
  const attempt = useAttempt();
  const path = { id: view.id, pass };
  const run = (act: () => Promise<unknown>) =>
    attempt.attempt(async () => {
      await act();
      await client.invalidateQueries();
    });
  return {
    ...attempt,
    plan: (choice: { added: boolean; leftOut?: boolean; reason?: string; from?: string; to?: string }) =>
      run(() =>
        answered(
          api.PUT('/api/v1/plantings/{id}/passes/{pass}', {
            params: { path },
            body: {
              version,
              choice: {
                added: choice.added,
                leftOut: choice.leftOut ?? false,
                reason: choice.reason ?? null,
                from: choice.from || null,
                to: choice.to || null,
              },
            },
          }),
        ),
      ),
    report: (done: string | null) =>
      run(() =>
        answered(
          api.PUT('/api/v1/plantings/{id}/passes/{pass}/done', {
            params: { path },
            body: { version, report: { done } },
          }),
        ),
      ),
  };
}

/** A pass reported done by a crew lead; moved, or left out for a reason, by a manager. */
export function PassChange({ pass, version, today }: { pass: PlannedPass; version: number; today: string }) {
  const { t } = useReading();
  const may = useMay();
  const { choice } = pass;
  const change = usePassChange(pass.id, version);
  const { problem, failure, busy } = change;
  const [done, setDone] = useState(choice?.done ?? today);
  const [from, setFrom] = useState(choice?.from ?? '');
  const [to, setTo] = useState(choice?.to ?? '');
  const [reason, setReason] = useState(choice?.leftOut ?? '');
  const [leaves, setLeaves] = useState(choice?.leftOut != null);
  const added = choice?.isAdded ?? false;
  const wrong = (field: string) =>
    problem(field) && (
      <p className="field-problem" role="alert">
        {problem(field)}
      </p>
    );
  const dayField = (label: string, value: string, set: (day: string) => void, test: string) => (
    <label className="passes-field">
      {label}
      <input
        type="date"
        value={value}
        onChange={(e) => {
          set(e.target.value);
        }}
        data-test={test}
      />
    </label>
  );
  if (!may('report')) return null;
  return (
    <details className="passes-change" data-test={`change-${pass.id}`}>
      <summary>{t(may('plan') ? 'passes.change' : 'passes.report')}</summary>
      {choice?.leftOut == null && (
        <div className="passes-form">
          {dayField(t('passes.done'), done, setDone, 'done')}
          {wrong('done')}
          <Button size="small" loading={busy} onClick={() => void change.report(done || null)} data-test="save-done">
            {t('passes.save-done')}
          </Button>
          {choice?.done && (
            <Button size="small" onClick={() => void change.report(null)} data-test="not-done">
              {t('passes.not-done')}
            </Button>
          )}
        </div>
      )}
      {may('plan') && (
        <div className="passes-form">
          {dayField(t('passes.move-from'), from, setFrom, 'move-from')}
          {wrong('from')}
          {dayField(t('passes.move-to'), to, setTo, 'move-to')}
          {wrong('to')}
          {!choice?.done && (
            <label className="passes-field">
              <input
                type="checkbox"
                checked={leaves}
                onChange={(e) => {
                  setLeaves(e.target.checked);
                }}
                data-test="leave-out"
              />
              {t('passes.leave-out')}
            </label>
          )}
          {leaves && (
            <input
              type="text"
              aria-label={t('passes.reason')}
              value={reason}
              maxLength={200}
              onChange={(e) => {
                setReason(e.target.value);
              }}
              data-test="reason"
            />
          )}
          {wrong('reason')}
          <Button
            size="small"
            type="primary"
            loading={busy}
            onClick={() => void change.plan({ added, leftOut: leaves, reason: leaves ? reason : undefined, from, to })}
            data-test="save-plan"
          >
            {t('passes.save-plan')}
          </Button>
          {added && !choice?.done && (
            <Button size="small" onClick={() => void change.plan({ added: false })} data-test="take-away">
              {t('passes.take-away')}
            </Button>
          )}
        </div>
      )}
      {wrong('pass')}
      {wrong('leftOut')}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </details>
  );
}
