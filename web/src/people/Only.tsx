import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Act } from '../api/client';
import { useReading } from '../words/useReading';
import { useMay } from './session';

/** A page for those who may do something; others are told so, instead of a form that would be refused. */
export function Only({ act, children }: { act: Act; children: ReactNode }) {
  const { t } = useReading();
  const may = useMay();
  if (may(act)) return children;
  return (
    <main className="page" data-test="not-yours">
      <h1>{t(act === 'practice' ? 'only.leads' : act === 'export' ? 'only.not-counters' : 'only.managers')}</h1>
      <p>
        {t('only.text')} <Link to="/">{t('place.season')}</Link>
      </p>
    </main>
  );
}
