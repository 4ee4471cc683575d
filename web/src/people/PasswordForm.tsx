import { Button } from 'antd';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered } from '../api/client';
import { Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';

/** A new password, for whoever knows the one there is. */
export function PasswordForm({ onDone }: { onDone: () => void }) {
  const { t } = useReading();
  const { problem, failure, attempt } = useAttempt();
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const client = useQueryClient();
  const change = () =>
    attempt(async () => {
      await answered(api.PUT('/api/v1/session/password', { body: { current, password } }));
      onDone();
      await client.invalidateQueries({ queryKey: ['session'] });
    });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void change();
      }}
    >
      <Field
        label={t('password.current')}
        path="current"
        text={current}
        onText={setCurrent}
        numeric={false}
        type="password"
        autoComplete="current-password"
        problem={problem('current')}
      />
      <Field
        label={t('password.new')}
        path="password"
        text={password}
        onText={setPassword}
        numeric={false}
        type="password"
        autoComplete="new-password"
        problem={problem('password')}
        hint={t('people.password-hint')}
      />
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <Button htmlType="submit">{t('password.change')}</Button>
    </form>
  );
}
