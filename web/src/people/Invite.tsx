import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type MadeInvitation, type Role } from '../api/client';
import { Choice } from '../entry/Choice';
import { Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import { HandOver } from './HandOver';

/** Invites people: a link to hand over, and those not yet taken up. */
export function Invite({ roles }: { roles: { value: Role; label: string }[] }) {
  const { t, language } = useReading();
  const client = useQueryClient();
  const open = useQuery({ queryKey: ['invitations'], queryFn: () => answered(api.GET('/api/v1/invitations')) });
  const { problem, failure, attempt, busy } = useAttempt();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('counter');
  const [made, setMade] = useState<MadeInvitation | null>(null);
  const until = new Intl.DateTimeFormat(language, { dateStyle: 'medium' });
  const again = () => client.invalidateQueries({ queryKey: ['invitations'] });
  const invite = () =>
    attempt(async () => {
      // What was shown goes, whether or not the next one can be made.
      setMade(null);
      setMade(await answered(api.POST('/api/v1/invitations', { body: { name, role } })));
      setName('');
      await again();
    });
  const withdraw = (id: string) =>
    attempt(async () => {
      await answered(api.DELETE('/api/v1/invitations/{id}', { params: { path: { id } } }));
      setMade(null);
      await again();
    });
  return (
    <div className="people-invite">
      <form
        className="sheet people-add"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void invite();
        }}
      >
        <h2>{t('people.invite')}</h2>
        <Field
          label={t('field.person')}
          path="person.name"
          text={name}
          onText={setName}
          numeric={false}
          problem={problem('name')}
        />
        <div className="field">
          <span className="field-label">{t('people.role')}</span>
          <Choice
            label={t('people.role')}
            value={role}
            options={roles}
            onChange={(r) => {
              setMade(null);
              setRole(r as Role);
            }}
          />
        </div>
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
        <Button type="primary" htmlType="submit" loading={busy} data-test="invite">
          {t('people.make-link')}
        </Button>
      </form>
      {made && (
        <HandOver
          intro={t('people.hand-over', { name: made.invitation.name })}
          secret={new URL(made.link, window.location.origin).href}
          after={t('people.once', { day: until.format(new Date(made.invitation.expiresAt)) })}
          copy={t('people.copy')}
        />
      )}
      {open.data && open.data.length > 0 && (
        <section className="sheet people-open" data-test="invitations">
          <h2>{t('people.open')}</h2>
          <ul>
            {open.data.map((i) => (
              <li key={i.id}>
                <span>
                  <strong>{i.name}</strong> <span className="dim">{t(`role.${i.role}`)}</span>
                  <br />
                  <span className="small dim">{t('people.until', { day: until.format(new Date(i.expiresAt)) })}</span>
                </span>
                <Button size="small" onClick={() => void withdraw(i.id)}>
                  {t('people.withdraw')}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
