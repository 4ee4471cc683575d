import { Button } from 'antd';
import type { SessionView } from '../api/client';
import { useReading } from '../words/useReading';
import './people.css';
import { goToEstate, signOut } from './session';

/** For somebody who belongs to no estate, or no longer to the one they were in: where they may go. */
export function NoEstatePage({ session }: { session: SessionView }) {
  const { t } = useReading();
  const leave = async () => {
    await signOut();
    window.location.assign('/');
  };
  return (
    <main className="sign-in">
      <div className="sheet">
        <h1>Rama</h1>
        <p>{t(session.estates.length > 0 ? 'no-estate.others' : 'no-estate.none')}</p>
        {session.estates.map((e) => (
          <Button key={e.id} block type="primary" onClick={() => void goToEstate(e.id)}>
            {e.name}
          </Button>
        ))}
        <Button block onClick={() => void leave()}>
          {t('sign-out')}
        </Button>
      </div>
    </main>
  );
}
