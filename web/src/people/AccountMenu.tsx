import { Button } from 'antd';
import { Suspense, useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { later } from '../later';
import { ShadeField } from '../look/ShadeField';
import { useReading } from '../words/useReading';
import './people.css';
import { ReadingFields } from './ReadingFields';
import { signOut, useSession } from './session';

const PasswordForm = later(() => import('./PasswordForm'), 'PasswordForm');

/** The person signed in: how they read, their password, the way out. */
export function AccountMenu() {
  const { t } = useReading();
  const session = useSession();
  const { pathname } = useLocation();
  const [password, setPassword] = useState<'kept' | 'asked' | 'done'>('kept');
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
        {password === 'asked' ? (
          <Suspense fallback={<p className="small dim">{t('loading')}</p>}>
            <PasswordForm
              onDone={() => {
                setPassword('done');
              }}
            />
          </Suspense>
        ) : (
          <button
            type="button"
            className="account-link"
            onClick={() => {
              setPassword('asked');
            }}
          >
            {t('password.change')}
            {password === 'done' && ` · ${t('saved')}`}
          </button>
        )}
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
