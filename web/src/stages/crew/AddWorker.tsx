import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../../entry/Choice';
import { Field } from '../../entry/Field';
import { useReading } from '../../words/useReading';
import { cardLanguages, useCrewChanges } from './useCrew';

/** Adds somebody to the crew; the language stays, since a crew is typed in one after another. */
export function AddWorker() {
  const { t } = useReading();
  const { add, problem, failure, busy } = useCrewChanges();
  const [name, setName] = useState('');
  const [language, setLanguage] = useState<string>(cardLanguages[0]);
  const submit = async () => {
    if (await add(crypto.randomUUID(), { name, language, left: false })) setName('');
  };
  return (
    <form
      className="sheet crew-add"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2>{t('crew.add')}</h2>
      <Field
        label={t('crew.name')}
        path="worker.name"
        text={name}
        onText={setName}
        numeric={false}
        problem={problem('name')}
      />
      <div className="field">
        <span className="field-label">{t('crew.card')}</span>
        <Choice
          label={t('crew.card')}
          value={language}
          options={cardLanguages.map((l) => ({ value: l, label: t(`language.${l}`) }))}
          onChange={setLanguage}
        />
      </div>
      <Button type="primary" htmlType="submit" disabled={busy} data-test="add-worker">
        {t('crew.add')}
      </Button>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </form>
  );
}
