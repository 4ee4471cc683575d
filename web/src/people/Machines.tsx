import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { api, answered, type MachineScope, type MadeMachineToken } from '../api/client';
import { Choice } from '../entry/Choice';
import { Field } from '../entry/Field';
import { useAttempt } from '../entry/useAttempt';
import { useReading } from '../words/useReading';
import { HandOver } from './HandOver';

const scopes: MachineScope[] = ['scans', 'weather', 'harvest', 'read'];

/** Machines that send files or read by themselves: a token each, made here, shown once, withdrawn here. */
export function Machines() {
  const { t, language } = useReading();
  const client = useQueryClient();
  const tokens = useQuery({
    queryKey: ['machine-tokens'],
    queryFn: () => answered(api.GET('/api/v1/machine-tokens')),
  });
  const { problem, failure, attempt, busy } = useAttempt();
  const [name, setName] = useState('');
  const [scope, setScope] = useState<MachineScope>('scans');
  const [made, setMade] = useState<MadeMachineToken | null>(null);
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  const again = () => client.invalidateQueries({ queryKey: ['machine-tokens'] });
  const make = () =>
    attempt(async () => {
      // What was shown goes, whether or not the next one can be made.
      setMade(null);
      setMade(await answered(api.POST('/api/v1/machine-tokens', { body: { name, scope } })));
      setName('');
      await again();
    });
  const withdraw = (id: string) =>
    attempt(async () => {
      await answered(api.DELETE('/api/v1/machine-tokens/{id}', { params: { path: { id } } }));
      setMade(null);
      await again();
    });
  return (
    <section className="machines" data-test="machines">
      <h2>{t('machines.title')}</h2>
      <p className="small dim">{t('machines.what')}</p>
      {tokens.data && tokens.data.length > 0 && (
        <table className="figures">
          <thead>
            <tr>
              <th>{t('field.machine')}</th>
              <th>{t('machines.may')}</th>
              <th>{t('machines.used')}</th>
              <th>{t('machines.made')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {tokens.data.map((token) => (
              <tr key={token.id}>
                <th scope="row">{token.name}</th>
                <td>{t(`machines.${token.scope}`)}</td>
                <td>{token.usedAt ? day.format(new Date(token.usedAt)) : t('machines.never')}</td>
                <td>
                  {token.madeBy}, {day.format(new Date(token.madeAt))}
                </td>
                <td className="right">
                  <Popconfirm
                    title={t('machines.sure', { name: token.name })}
                    okText={t('people.withdraw')}
                    cancelText={t('machines.keep')}
                    onConfirm={() => void withdraw(token.id)}
                  >
                    <Button size="small" aria-label={`${t('people.withdraw')}: ${token.name}`}>
                      {t('people.withdraw')}
                    </Button>
                  </Popconfirm>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <form
        className="sheet machines-add"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <Field
          label={t('field.machine')}
          path="machine"
          text={name}
          onText={setName}
          numeric={false}
          problem={problem('machine')}
        />
        <div className="field">
          <span className="field-label">{t('machines.may')}</span>
          <Choice
            label={t('machines.may')}
            value={scope}
            options={scopes.map((s) => ({ value: s, label: t(`machines.${s}`) }))}
            onChange={(s) => {
              setMade(null);
              setScope(s as MachineScope);
            }}
          />
        </div>
        <Button htmlType="submit" loading={busy} data-test="make-token">
          {t('machines.make')}
        </Button>
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
      </form>
      {made && (
        <HandOver
          intro={t('machines.hand-over', { name: made.token.name })}
          secret={made.secret}
          after={t('machines.once')}
          copy={t('machines.copy')}
        />
      )}
    </section>
  );
}
