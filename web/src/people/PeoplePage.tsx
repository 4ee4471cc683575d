import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { api, answered, type PersonView, type Role } from '../api/client';
import { Choice } from '../entry/Choice';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import { useCrew } from '../stages/crew/useCrew';
import { Invite } from './Invite';
import { Machines } from './Machines';
import './people.css';
import { useSession } from './session';

const roles: Role[] = ['manager', 'crewLead', 'counter', 'reader'];

/** Who belongs to the estate, and what each may do; for managers alone. */
export function PeoplePage() {
  const { t } = useReading();
  const client = useQueryClient();
  const session = useSession();
  const people = useQuery({ queryKey: ['people'], queryFn: () => answered(api.GET('/api/v1/people')) });
  const { problem, failure, attempt } = useAttempt();
  const [removed, setRemoved] = useState<PersonView | null>(null);
  useEffect(() => {
    document.title = `${t('people.title')} · Rama`;
  }, [t]);
  const again = () => client.invalidateQueries({ queryKey: ['people'] });

  const give = (person: PersonView, next: Role) =>
    attempt(async () => {
      setRemoved(null);
      await answered(
        api.PUT('/api/v1/people/{id}/role', { params: { path: { id: person.id } }, body: { role: next } }),
      );
      await again();
    });
  const remove = (person: PersonView) =>
    attempt(async () => {
      await answered(api.DELETE('/api/v1/people/{id}', { params: { path: { id: person.id } } }));
      setRemoved(person);
      await again();
    });
  const takeBack = (person: PersonView) =>
    attempt(async () => {
      await answered(api.POST('/api/v1/people/{id}/return', { params: { path: { id: person.id } } }));
      setRemoved(null);
      await again();
    });

  const crew = useCrew().data ?? [];
  const isWorker = (person: PersonView, worker: string) =>
    attempt(async () => {
      await answered(
        api.PUT('/api/v1/people/{id}/worker', {
          params: { path: { id: person.id } },
          body: { worker: worker || null },
        }),
      );
      await again();
      await client.invalidateQueries({ queryKey: ['practice'] });
    });
  // Somebody is one person only: who is taken is offered to nobody else.
  const workersFor = (person: PersonView) =>
    crew
      .filter((w) => w.id === person.worker || (!w.left && !people.data?.some((p) => p.worker === w.id)))
      .map((w) => ({ value: w.id, label: w.name }));

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
                <th>{t('people.worker')}</th>
                <td />
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
                  <td>
                    <Choice
                      label={`${t('people.worker')}: ${p.name}`}
                      empty={t('people.no-worker')}
                      value={p.worker ?? ''}
                      options={workersFor(p)}
                      onChange={(worker) => void isWorker(p, worker)}
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
          {removed && (
            <p role="status" data-test="removed">
              {t('people.removed', { name: removed.name })}{' '}
              <Button size="small" onClick={() => void takeBack(removed)} data-test="take-back">
                {t('people.take-back')}
              </Button>
            </p>
          )}
          <p className="small dim">{t('people.worker-why')}</p>
          {(problem('role') ?? problem('worker')) && (
            <p className="field-problem" role="alert">
              {problem('role') ?? problem('worker')}
            </p>
          )}
          {failure && (
            <p className="field-problem" role="alert">
              {failure}
            </p>
          )}
          <h2 className="people-roles">{t('people.roles')}</h2>
          <dl className="chain people-may">
            {roles.map((r) => (
              <div key={r}>
                <dt>{t(`role.${r}`)}</dt>
                <dd>{t(`role.${r}.may`)}</dd>
              </div>
            ))}
          </dl>
          <Machines />
        </section>
        <aside>
          <Invite roles={asRoles} />
        </aside>
      </div>
    </main>
  );
}
