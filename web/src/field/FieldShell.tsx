import { useQueryClient } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { Link, Outlet, useLocation } from 'react-router';
import { AskedKeys } from '../keys/AskedKeys';
import { countNotTaken } from './notTaken';
import { sendDrafts, waitingByEstate } from './queue';
import { keepSending, sendNow, type SyncState } from './sending';
import { ASK_SIGN_IN, sessionKey, useSession } from '../people/session';
import { WaitsElsewhere } from './WaitsElsewhere';
import { ShadeKey } from '../look/ShadeKey';
import '../words/count';
import { useReading } from '../words/useReading';
import './field.css';
import { FieldContext, putter } from './useField';

/** The frame of the pages for the row: whose estate, and what still waits to be sent. */
export function FieldShell() {
  const { t } = useReading();
  const { pathname } = useLocation();
  const session = useSession();
  const estate = session.data?.here?.estateId ?? '';
  const [state, setState] = useState<SyncState>('idle');
  const signedIn = session.data?.state === 'signedIn';
  useEffect(() => {
    if (estate === '') return;
    return keepSending(estate, setState);
  }, [estate, signedIn]);
  // What is in the queue stays the device's own until it is sent, so the browser is asked not to clear it.
  useEffect(() => {
    void navigator.storage?.persist?.();
    void sendDrafts();
  }, []);
  const client = useQueryClient();
  // Who is at hand where is asked anew, so that this page goes along.
  useEffect(() => {
    if (state === 'elsewhere') void client.invalidateQueries({ queryKey: sessionKey });
  }, [state, client]);
  const queue = useLiveQuery(waitingByEstate) ?? new Map<string, number>();
  const waiting = queue.get(estate) ?? 0;
  const refused = useLiveQuery(countNotTaken) ?? 0;
  const person = session.data?.person?.id ?? null;
  const work = useMemo(
    () => ({ estate, state, waiting, poke: sendNow, put: putter({ estate, person }) }),
    [estate, person, state, waiting],
  );

  return (
    <FieldContext.Provider value={work}>
      <div className="field-page">
        <header className="field-bar" data-at={pathname}>
          <Link to="/" className="shell-name" aria-label={`Rama: ${t('field.to-office')}`}>
            Rama
          </Link>
          <span className="field-estate">{session.data?.estates.find((e) => e.id === estate)?.name}</span>
          <ShadeKey className="field-shade" />
          <button
            type="button"
            className={`field-sync field-sync-${waiting > 0 ? 'waiting' : 'sent'}`}
            onClick={work.poke}
            data-test="sync"
            data-waiting={waiting}
            data-state={state}
          >
            <span aria-hidden>{waiting > 0 ? '◷' : '✓'}</span>{' '}
            {waiting > 0 ? t('field.waiting', { count: waiting }) : t('field.all-sent')}
          </button>
        </header>
        {state === 'signed-out' && waiting > 0 && (
          <p className="field-note">
            {t('field.signed-out', { count: waiting })}{' '}
            <button
              type="button"
              className="field-link"
              onClick={() => {
                window.dispatchEvent(new Event(ASK_SIGN_IN));
              }}
              data-test="ask-sign-in"
            >
              {t('sign-in.do')}
            </button>
          </p>
        )}
        {state === 'forbidden' && <p className="field-note">{t('field.forbidden')}</p>}
        {state === 'offline' && waiting > 0 && <p className="field-note">{t('field.offline')}</p>}
        {[...queue].map(
          ([other, count]) =>
            other !== estate && (
              <WaitsElsewhere
                key={other}
                count={count}
                estate={session.data?.estates.find((e) => e.id === other) ?? null}
              />
            ),
        )}
        {refused > 0 && (
          <p className="field-note field-wrong">
            {t('field.refused', { count: refused })}{' '}
            <Link to="/field/not-taken" className="field-link" data-test="not-taken">
              {t('field.refused.see')}
            </Link>
          </p>
        )}
        {/* For a laptop in the shed; a phone has no keys to tell. */}
        <AskedKeys />
        <Suspense fallback={<p className="waiting">{t('loading')}</p>}>
          <Outlet />
        </Suspense>
      </div>
    </FieldContext.Provider>
  );
}
