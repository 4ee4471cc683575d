import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, answered, RequestError, type FieldProblem, type PlantingEntry } from '../../api/client';
import { readDraft, toDraft, type Draft } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { plantingSpec } from '../../planting/sections';
import { problemText } from '../../planting/problemText';
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
  const [draft, setDraft] = useState<Draft>(() => toDraft(plantingSpec, {}, language));
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [failure, setFailure] = useState<string | null>(null);

  const form = fieldControls('planting', draft, setDraft, (path) => {
    const found = problems.find((p) => p.field === path);
    return found && problemText(found, reading);
  }, t, () => void add());

  async function add() {
    const { entry, unreadable } = readDraft<PlantingEntry>(plantingSpec, draft, language);
    setFailure(null);
    if (unreadable.length > 0) {
      setProblems(unreadable.map((field) => ({ field, code: 'text', message: '', min: null, max: null, unit: null })));
      return;
    }
    try {
      const view = await answered(api.POST('/api/v1/plantings', { body: entry }));
      await client.invalidateQueries({ queryKey: ['season'] });
      void go(`/plantings/${view.id}/target`);
    } catch (e) {
      if (e instanceof RequestError && e.problem.problems) setProblems(e.problem.problems);
      else setFailure(e instanceof RequestError ? e.message : t('failure.network'));
    }
  }

  return (
    <main className="planting-main new-planting">
      <h1>{t('new.title')}</h1>
      <p className="dim">{t('new.text')}</p>
      {catalogue.data && <PlantingFields form={form} catalogue={catalogue.data} />}
      <div className="save-bar">
        <Button type="primary" onClick={() => void add()} data-test="add">{t('new.add')}</Button>
        <Button onClick={() => void go('/')}>{t('new.cancel')}</Button>
        {failure && <p className="field-problem" role="alert">{failure}</p>}
      </div>
    </main>
  );
}
