import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, answered, type PlantingEntry } from '../../api/client';
import { readDraft, toDraft, type Draft } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { plantingSpec } from './draft';
import { useReading } from '../../words/useReading';
import { PlantingFields } from './PlantingFields';
import { useCatalogue } from './useCatalogue';

/** A planting that is not in the book yet. Nothing is saved until all of it can be used. */
export function NewPlantingPage() {
  const reading = useReading();
  const { t, language } = reading;
  const go = useNavigate();
  const client = useQueryClient();
  const catalogue = useCatalogue();
  const [draft, setDraft] = useState<Draft>(() => toDraft(plantingSpec, {}, reading));
  const { problem, unreadable, failure, attempt } = useAttempt();

  const form = fieldControls('planting', draft, setDraft, problem, t, () => void add());

  async function add() {
    const read = readDraft<PlantingEntry>(plantingSpec, draft, language);
    if (read.unreadable.length > 0) {
      unreadable(read.unreadable);
      return;
    }
    await attempt(async () => {
      const view = await answered(api.POST('/api/v1/plantings', { body: read.entry }));
      await client.invalidateQueries({ queryKey: ['season'] });
      void go(`/plantings/${view.id}/target`);
    });
  }

  return (
    <main className="planting-main new-planting">
      <h1>{t('new.title')}</h1>
      <p className="dim">{t('new.text')}</p>
      {catalogue.data && <PlantingFields form={form} catalogue={catalogue.data} />}
      <div className="save-bar">
        <Button type="primary" onClick={() => void add()} data-test="add">
          {t('new.add')}
        </Button>
        <Button onClick={() => void go('/')}>{t('new.cancel')}</Button>
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
      </div>
    </main>
  );
}
