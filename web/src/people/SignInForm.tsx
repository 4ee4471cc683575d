import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, RequestError, type SessionView } from '../api/client';
import { Field } from '../entry/Field';
import { keptSession } from '../offline/keptSession';
import { useReading } from '../words/useReading';
import './people.css';
import { sessionKey } from './session';

/** Address and password; whoever signs in is the session from then on. */
export function SignInForm({ email: known, over = null }: { email: string; over?: SessionView | null }) {
  const { t } = useReading();
  const client = useQueryClient();
  const [email, setEmail] = useState(known);
  const [password, setPassword] = useState('');
  const [failure, setFailure] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function signIn() {
    setBusy(true);
    setFailure(null);
    try {
      const session = await answered(api.POST('/api/v1/session', { body: { email, password } }));
      // Someone else's screen is not this person's: begin afresh.
      if (
        over?.person &&
        (over.person.email !== session.person?.email || over.here?.estateId !== session.here?.estateId)
      )
        window.location.assign('/');
      // Who counts is in the row.
      else if (!over && session.here?.role === 'counter' && window.location.pathname === '/')
        window.location.assign('/field');
      keptSession.write(session);
      client.setQueryData(sessionKey, session);
      if (over) void client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== sessionKey[0] });
    } catch (e) {
      setFailure(
        !(e instanceof RequestError)
          ? t('failure.server')
          : e.status === 401
            ? t('sign-in.wrong')
            : e.status === 429
              ? t('sign-in.too-many')
              : e.message,
      );
    } finally {
      setBusy(false);
    }
  }

  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void signIn();
      }}
    >
      <Field
        label={t('field.email')}
        path="email"
        text={email}
        onText={setEmail}
        numeric={false}
        autoComplete="username"
        type="email"
      />
      <Field
        label={t('field.password')}
        path="password"
        text={password}
        onText={setPassword}
        numeric={false}
        autoComplete="current-password"
        type="password"
      />
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <Button type="primary" htmlType="submit" loading={busy} block data-test="sign-in">
        {t('sign-in.do')}
      </Button>
    </form>
  );
}
