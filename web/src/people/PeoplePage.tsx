import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { api, answered, type PersonView, type Role } from '../api/client';
import { Choice, Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import './people.css';
import { useMay, useSession } from './session';

const roles: Role[] = ['manager', 'crewLead', 'counter', 'reader'];

/** Who belongs to the estate, and what each may do; for managers alone. */
export function PeoplePage() {
  const { t } = useReading();
  const may = useMay();
  if (may('people')) return <People />;
  return (
    <main className="page">
      <h1>{t('people.title')}</h1>
      <p>{t('people.managers-only')}</p>
    </main>
  );
}

function People() {
  const { t } = useReading();
  const client = useQueryClient();
  const session = useSession();
  const people = useQuery({ queryKey: ['people'], queryFn: () => answered(api.GET('/api/v1/people')) });
  const { problem, failure, attempt } = useAttempt();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('counter');
  const [handOver, setHandOver] = useState<{ person: PersonView; password: string | null } | null>(null);
  useEffect(() => {
    document.title = `${t('people.title')} · Rama`;
  }, [t]);
  const again = () => client.invalidateQueries({ queryKey: ['people'] });

  const add = () =>
    attempt(async () => {
      const added = await answered(api.POST('/api/v1/people', { body: { name, email, role } }));
      setHandOver(added);
      setName('');
      setEmail('');
      await again();
    });
  const give = (person: PersonView, next: Role) =>
    attempt(async () => {
      await answered(
        api.PUT('/api/v1/people/{id}/role', { params: { path: { id: person.id } }, body: { role: next } }),
      );
      await again();
    });
  const remove = (person: PersonView) =>
    attempt(async () => {
      await answered(api.DELETE('/api/v1/people/{id}', { params: { path: { id: person.id } } }));
      await again();
    });

  const asRoles = roles.map((r) => ({ value: r, label: t(`role.${r}`) }));
  return (
    <main className="page">
      <h1>{t('people.title')}</h1>
      <div className="columns">
        <section>
          <table className="figures" data-test="people">
            <thead>
              <tr>
                <th>{t('field.person')}</th>
                <th>{t('field.email')}</th>
                <th>{t('people.role')}</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {people.data?.map((p) => (
                <tr key={p.id}>
                  <th scope="row">{p.name}</th>
                  <td>{p.email}</td>
                  <td>
                    <Choice
                      label={`${t('people.role')}: ${p.name}`}
                      value={p.role}
                      options={asRoles}
                      onChange={(next) => void give(p, next as Role)}
                    />
                  </td>
                  <td className="right">
                    {p.email !== session.data?.person?.email && (
                      <Button size="small" onClick={() => void remove(p)}>
                        {t('people.remove')}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {problem('role') && (
            <p className="field-problem" role="alert">
              {problem('role')}
            </p>
          )}
          {failure && (
            <p className="field-problem" role="alert">
              {failure}
            </p>
          )}
          <h2 className="people-roles">{t('people.roles')}</h2>
          <dl className="chain">
            {roles.map((r) => (
              <div key={r}>
                <dt>{t(`role.${r}`)}</dt>
                <dd>{t(`role.${r}.may`)}</dd>
              </div>
            ))}
          </dl>
        </section>
        <aside>
          <form
            className="sheet people-add"
            noValidate
            onSubmit={(e) => {
              e.preventDefault();
              void add();
            }}
          >
            <h2>{t('people.add')}</h2>
            <Field
              label={t('field.person')}
              path="person.name"
              text={name}
              onText={setName}
              numeric={false}
              problem={problem('name')}
            />
            <Field
              label={t('field.email')}
              path="person.email"
              text={email}
              onText={setEmail}
              numeric={false}
              type="email"
              problem={problem('email')}
            />
            <div className="field">
              <span className="field-label">{t('people.role')}</span>
              <Choice
                label={t('people.role')}
                value={role}
                options={asRoles}
                onChange={(r) => {
                  setRole(r as Role);
                }}
              />
            </div>
            <Button type="primary" htmlType="submit" data-test="add-person">
              {t('people.add')}
            </Button>
          </form>
          {handOver && (
            <p className="sheet" role="status" data-test="hand-over">
              {handOver.password ? (
                <>
                  {t('people.hand-over', { name: handOver.person.name })}{' '}
                  <strong className="people-password">{handOver.password}</strong>{' '}
                  <span className="small dim">{t('people.once')}</span>
                </>
              ) : (
                t('people.known', { name: handOver.person.name })
              )}
            </p>
          )}
        </aside>
      </div>
    </main>
  );
}
