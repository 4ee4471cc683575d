import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type TrainingView, type YoungTreesEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { Choice } from '../../entry/Choice';

const spec: FormSpec = {
  height: { amount: 'm' },
  girth: { amount: 'cm' },
  limbs: 'number',
  growth: { amount: 'm' },
  internode: { amount: 'cm' },
  trees: 'number',
};

/** What was measured on young trees, season by season; it tells the leaves to come. */
export function Measures({ training }: { training: TrainingView }) {
  const reading = useReading();
  const { t, language } = reading;
  const { view } = usePlantingWork();
  const may = useMay();
  const client = useQueryClient();
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const planted = training.season - training.leaf + 1;
  const seasons = Array.from({ length: Math.min(15, training.leaf) }, (_, i) => training.season - i).filter(
    (s) => s >= planted,
  );
  // What stands to be entered is the last autumn, before this season's growth.
  const [season, setSeason] = useState(seasons[1] ?? training.season);
  const known = training.measured.find((m) => m.season === season);
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, known?.trees ?? {}, reading));
  const choose = (next: number) => {
    setSeason(next);
    setDraft(toDraft(spec, training.measured.find((m) => m.season === next)?.trees ?? {}, reading));
  };
  const save = () => {
    const { entry, unreadable: bad } = readDraft<YoungTreesEntry>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    void attempt(async () => {
      await answered(
        api.PUT('/api/v1/plantings/{id}/training/measures/{season}', {
          params: { path: { id: view.id, season } },
          body: { version: known?.version ?? 0, trees: entry },
        }),
      );
      await client.invalidateQueries();
    });
  };
  const form = fieldControls('young', draft, setDraft, problem, t, save);
  const wrong = failure ?? problem('season') ?? problem('young');
  return (
    <section className="training-measures" data-test="young-trees">
      <h3>{t('training.measures')}</h3>
      <p className="small dim">{t('training.measures-text')}</p>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <fieldset className="part" disabled={!may('report')}>
          <div className="fields">
            <div className="field">
              <span className="field-label" aria-hidden>
                {t('training.end-of')}
              </span>
              <Choice
                label={t('training.end-of')}
                value={String(season)}
                onChange={(s) => {
                  choose(Number(s));
                }}
                options={seasons.map((s) => ({
                  value: String(s),
                  label: t('training.season-leaf', { season: s, leaf: s - planted + 1 }),
                }))}
              />
            </div>
            {form.input('height', ['m', 'cm', 'ft'], { label: t('training.height') })}
            {form.input('girth', ['cm', 'mm', 'in'], { label: t('training.girth-field') })}
            {form.input('limbs', ['limb/tree'], { label: t('training.limbs-field') })}
            {form.input('growth', ['m', 'cm', 'ft', 'in'], { label: t('training.growth') })}
            {form.input('internode', ['cm', 'mm', 'in'], { label: t('training.internode') })}
            {form.input('trees', [], { label: t('training.trees') })}
          </div>
          {wrong && (
            <p className="field-problem" role="alert">
              {wrong}
            </p>
          )}
          {may('report') && (
            <Button type="primary" htmlType="submit" loading={busy} data-test="save-young">
              {t('save')}
            </Button>
          )}
        </fieldset>
      </form>
    </section>
  );
}
