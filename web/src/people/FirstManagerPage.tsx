import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered } from '../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../entry/draft';
import { fieldControls } from '../entry/fieldControls';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import './people.css';
import { sessionKey } from './session';

const spec: FormSpec = {
  code: 'text',
  estate: 'text',
  season: 'number',
  name: 'text',
  email: 'text',
  password: 'text',
};

/** An installation without anybody in it asks for its first estate and manager. */
export function FirstManagerPage() {
  const reading = useReading();
  const { t, language } = reading;
  const client = useQueryClient();
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, { season: new Date().getFullYear() + 1 }, reading));
  const { problem, failure, attempt } = useAttempt();
  const form = fieldControls('first', draft, setDraft, problem, t, () => void create());

  const create = () =>
    attempt(async () => {
      const { entry } = readDraft<{ email: string; password: string }>(spec, draft, language);
      client.setQueryData(sessionKey, await answered(api.POST('/api/v1/first-manager', { body: entry })));
    });

  return (
    <main className="sign-in">
      <form
        className="sheet"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void create();
        }}
      >
        <h1>{t('first.title')}</h1>
        <p className="dim">{t('first.text')}</p>
        {form.input('code', [], { numeric: false, hint: t('first.code-hint'), label: t('first.code') })}
        {form.input('estate', [], { numeric: false })}
        {form.input('season', [], { hint: t('first.season-hint') })}
        {form.input('name', [], { numeric: false, label: t('field.person') })}
        {form.input('email', [], { numeric: false, type: 'email', autoComplete: 'username' })}
        {form.input('password', [], {
          numeric: false,
          type: 'password',
          autoComplete: 'new-password',
          hint: t('people.password-hint'),
        })}
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
        <Button type="primary" htmlType="submit" block data-test="create">
          {t('first.do')}
        </Button>
      </form>
    </main>
  );
}
