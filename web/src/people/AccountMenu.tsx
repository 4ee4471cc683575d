import { Button } from 'antd';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { api, answered } from '../api/client';
import { Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { ShadeField } from '../look/ShadeField';
import { useReading } from '../words/useReading';
import './people.css';
import { ReadingFields } from './ReadingFields';
import { signOut, useSession } from './session';

/** The person signed in: how they read, their password, the way out. */
export function AccountMenu() {
  const { t } = useReading();
  const session = useSession();
  const { pathname } = useLocation();
  const menu = useRef<HTMLDetailsElement>(null);
  // Another page or a click beside it closes the menu.
  useEffect(() => {
    menu.current?.removeAttribute('open');
  }, [pathname]);
  useEffect(() => {
    const beside = (e: PointerEvent) => {
      if (!menu.current?.contains(e.target as Node)) menu.current?.removeAttribute('open');
    };
    window.addEventListener('pointerdown', beside);
    return () => {
      window.removeEventListener('pointerdown', beside);
    };
  }, []);
  const person = session.data?.person;
  const role = session.data?.here?.role;
  if (!person) return null;
  const leave = async () => {
    await signOut();
    window.location.assign('/');
  };
  return (
    <details className="account" ref={menu}>
      <summary data-test="account">
        {person.name} <span className="small dim">{role && t(`role.${role}`)}</span>
      </summary>
      <div className="account-menu sheet">
        <ReadingFields />
        <ShadeField />
        <PasswordForm />
        <Link to="/sessions" className="account-link">
          {t('sessions.title')}
        </Link>
        <Button onClick={() => void leave()} data-test="sign-out">
          {t('sign-out')}
        </Button>
      </div>
    </details>
  );
}

function PasswordForm() {
  const { t } = useReading();
  const { problem, failure, attempt } = useAttempt();
  const [open, setOpen] = useState(false);
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const [done, setDone] = useState(false);
  const client = useQueryClient();
  const change = () =>
    attempt(async () => {
      await answered(api.PUT('/api/v1/session/password', { body: { current, password } }));
      setDone(true);
      setOpen(false);
      await client.invalidateQueries({ queryKey: ['session'] });
    });
  if (!open)
    return (
      <button
        type="button"
        className="account-link"
        onClick={() => {
          setOpen(true);
        }}
      >
        {t('password.change')}
        {done && ` · ${t('saved')}`}
      </button>
    );
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
