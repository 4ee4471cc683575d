import { Button } from 'antd';
import { useState } from 'react';
import type { CrewView, PrunerPractice, WorkerView } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { Field } from '../../entry/Field';
import { useReading } from '../../words/useReading';
import { faultsOf } from '../prescribe/practice/practiceFaults';
import { cardLanguages, useCrewChanges } from './useCrew';

/** One of the crew, to be read or changed in place. */
export function WorkerLine({
  worker,
  practice,
  editable,
  crews,
}: {
  worker: WorkerView;
  practice: PrunerPractice | undefined;
  editable: boolean;
  crews: CrewView[];
}) {
  const { t, number } = useReading();
  const { change, remove, problem, failure, busy } = useCrewChanges();
  const [name, setName] = useState<string | null>(null);
  const rename = async () => {
    if (await change(worker, { name })) setName(null);
  };
  const trouble = problem('language') ?? failure ?? (name === null ? problem('name') : undefined);
  return (
    <tr className={worker.left ? 'crew-left' : undefined}>
      <th scope="row">
        {name === null ? (
          <>
            {worker.name}
            {worker.left && <span className="small dim"> {t('crew.left')}</span>}
          </>
        ) : (
          <Field
            label={t('crew.name')}
            path="worker.rename"
            text={name}
            onText={setName}
            numeric={false}
            onEnter={() => void rename()}
            problem={problem('name')}
          />
        )}
        {trouble && (
          <p className="field-problem" role="alert">
            {trouble}
          </p>
        )}
      </th>
      <td>
        {editable ? (
          <Choice
            label={`${t('crew.card')}: ${worker.name}`}
            value={worker.language}
            options={cardLanguages.map((l) => ({ value: l, label: t(`language.${l}`) }))}
            onChange={(language) => void change(worker, { language })}
          />
        ) : (
          t(`language.${worker.language}`)
        )}
      </td>
      <td>
        {editable && crews.length > 0 ? (
          <Choice
            label={`${t('crews.crew')}: ${worker.name}`}
            value={worker.crew ?? ''}
            options={[
              { value: '', label: t('crews.none') },
              ...crews.map((c) => ({ value: c.id, label: c.crew.name ?? '' })),
            ]}
            onChange={(crew) => void change(worker, { crew: crew || null })}
          />
        ) : (
          (crews.find((c) => c.id === worker.crew)?.crew.name ?? '–')
        )}
      </td>
      <td className="number">
        {practice ? (
          <>
            {t('crew.practised', { count: practice.trees, mean: number(practice.meanScore, 0) })}
            <p className="small dim">{faultsOf(practice, t)}</p>
          </>
        ) : (
          <span className="dim">{t('crew.no-practice')}</span>
        )}
      </td>
      {editable && (
        <td className="right crew-acts">
          {name === null ? (
            <>
              <Button
                size="small"
                onClick={() => {
                  setName(worker.name);
                }}
              >
                {t('crew.rename')}
              </Button>
              <Button size="small" disabled={busy} onClick={() => void change(worker, { left: !worker.left })}>
                {t(worker.left ? 'crew.back' : 'crew.leave')}
              </Button>
              {!practice && (
                <Button size="small" disabled={busy} onClick={() => void remove(worker)}>
                  {t('crew.remove')}
                </Button>
              )}
            </>
          ) : (
            <>
              <Button size="small" type="primary" disabled={busy} onClick={() => void rename()}>
                {t('crew.save')}
              </Button>
              <Button
                size="small"
                onClick={() => {
                  setName(null);
                }}
              >
                {t('crew.as-it-was')}
              </Button>
            </>
          )}
        </td>
      )}
    </tr>
  );
}
