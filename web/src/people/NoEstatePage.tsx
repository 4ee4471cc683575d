import { Button } from 'antd';
import { api, answered, type SessionView } from '../api/client';
import { keptSession } from '../offline/keptSession';
import { useReading } from '../words/useReading';
import './people.css';

/** For somebody who belongs to no estate, or no longer to the one they were in: where they may go. */
export function NoEstatePage({ session }: { session: SessionView }) {
  const { t } = useReading();
  const go = async (estate: string) => {
    await answered(api.PUT('/api/v1/session/estate', { body: { estate } }));
    window.location.assign('/');
  };
  const signOut = async () => {
    await answered(api.DELETE('/api/v1/session'));
    await keptSession.forget();
    window.location.assign('/');
  };
  return (
    <main className="sign-in">
      <div className="sheet">
        <h1>Rama</h1>
        <p>{t(session.estates.length > 0 ? 'no-estate.others' : 'no-estate.none')}</p>
        {session.estates.map((e) => (
          <Button key={e.id} block type="primary" onClick={() => void go(e.id)}>
            {e.name}
          </Button>
        ))}
        <Button block onClick={() => void signOut()}>
          {t('sign-out')}
        </Button>
      </div>
    </main>
  );
}
