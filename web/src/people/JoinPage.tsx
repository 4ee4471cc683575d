import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, RequestError, type SessionView } from '../api/client';
import { Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { keptSession } from '../offline/keptSession';
import { useReading } from '../words/useReading';
import './people.css';
import { sessionKey, signOut, useSession } from './session';
import { SignInForm } from './SignInForm';

/** Where the link of an invitation leads; whoever follows it decides whether to take it up. */
export function JoinPage() {
  const { t, language } = useReading();
  const session = useSession();
  // Behind the mark, so that no server's log has it.
  const [link] = useState(() => window.location.hash.slice(1));
  const offer = useQuery({
    queryKey: ['offer', link],
    queryFn: () => answered(api.POST('/api/v1/invitations/offer', { body: { link } })),
    retry: false,
  });
  const [hasAccount, setHasAccount] = useState(false);
  const person = session.data?.state === 'signedIn' ? session.data.person : null;
  if (offer.isPending) return null;
  return (
    <main className="sign-in">
      <div className="sheet">
        <h1>{offer.data?.estate ?? 'Rama'}</h1>
        {offer.data ? (
          <>
            <p>
              {t('join.text', { by: offer.data.invitedBy, role: t(`role.${offer.data.role}`) })}{' '}
              <span className="dim">{t(`role.${offer.data.role}.may`)}</span>
            </p>
            <p className="small dim">
              {t('people.until', {
                day: new Intl.DateTimeFormat(language, { dateStyle: 'medium' }).format(new Date(offer.data.expiresAt)),
              })}
            </p>
            {person ? (
              <Accept link={link} name={person.name} />
            ) : hasAccount ? (
              <SignInForm email="" />
            ) : (
              <NewAccount link={link} />
            )}
            {!person && (
              <button
                type="button"
                className="account-link"
                onClick={() => {
                  setHasAccount(!hasAccount);
                }}
              >
                {t(hasAccount ? 'join.no-account' : 'join.has-account')}
              </button>
            )}
          </>
        ) : (
          <p role="alert">
            {offer.error instanceof RequestError && offer.error.status === 404
              ? t('join.not-good')
              : t('failure.server')}
          </p>
        )}
      </div>
    </main>
  );
}

/** Goes on in the estate joined; nothing of another one stays on the screen. */
function begin(session: SessionView) {
  keptSession.write(session);
  window.location.assign('/');
}

function Accept({ link, name }: { link: string; name: string }) {
  const { t } = useReading();
  const client = useQueryClient();
  const { failure, attempt, busy } = useAttempt();
  const accept = () =>
    attempt(async () => {
      begin(await answered(api.POST('/api/v1/invitations/accept', { body: { link } })));
    });
  const leave = async () => {
    await signOut();
    await client.invalidateQueries({ queryKey: sessionKey });
  };
  return (
    <>
      <Button type="primary" block loading={busy} onClick={() => void accept()} data-test="accept">
        {t('join.as', { name })}
      </Button>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <button type="button" className="account-link" onClick={() => void leave()}>
        {t('join.not-me', { name })}
      </button>
    </>
  );
}

function NewAccount({ link }: { link: string }) {
  const { t } = useReading();
  const { problem, failure, attempt, busy } = useAttempt();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const make = () =>
    attempt(async () => {
      begin(await answered(api.POST('/api/v1/invitations/account', { body: { link, name, email, password } })));
    });
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      <Field
        label={t('field.person')}
        path="join.name"
        text={name}
        onText={setName}
        numeric={false}
        autoComplete="name"
        problem={problem('name')}
      />
      <Field
        label={t('field.email')}
        path="join.email"
        text={email}
        onText={setEmail}
        numeric={false}
        type="email"
        autoComplete="username"
        problem={problem('email')}
      />
      <Field
        label={t('field.password')}
        path="join.password"
        text={password}
        onText={setPassword}
        numeric={false}
        type="password"
        autoComplete="new-password"
        hint={t('people.password-hint')}
        problem={problem('password')}
      />
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <Button type="primary" htmlType="submit" block loading={busy} data-test="join">
        {t('join.do')}
      </Button>
    </form>
  );
}
