import type { SessionView } from '../api/client';
import { useReading } from '../words/useReading';
import './people.css';
import { SignInForm } from './SignInForm';

/** Sign-in. When a session ends in the middle of work it lies over the page, so that nothing typed is lost. */
export function SignInPage({ over }: { over: SessionView | null }) {
  const { t } = useReading();
  return (
    <main className={over ? 'sign-in sign-in-over' : 'sign-in'}>
      <div className="sheet">
        <h1>Rama</h1>
        <p className="dim">{over ? t('sign-in.again') : t('sign-in.text')}</p>
        <SignInForm email={over?.person?.email ?? ''} over={over} />
      </div>
    </main>
  );
}
