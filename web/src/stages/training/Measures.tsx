import { useState } from 'react';
import { api, answered, type TrainingView, type YoungTreesEntry } from '../../api/client';
import { ChoiceField } from '../../entry/Choice';
import type { FormSpec } from '../../entry/draft';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

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
  const planted = training.season - training.leaf + 1;
  const seasons = Array.from({ length: Math.min(15, training.leaf) }, (_, i) => training.season - i).filter(
    (s) => s >= planted,
  );
  // What stands to be entered is the last autumn, before this season's growth.
  const [season, setSeason] = useState(seasons[1] ?? training.season);
  return (
    <MeasuredIn
      key={season}
      training={training}
      season={season}
      seasons={seasons.map((s) => ({ season: s, leaf: s - planted + 1 }))}
      onSeason={setSeason}
    />
  );
}

function MeasuredIn({
  training,
  season,
  seasons,
  onSeason,
}: {
  training: TrainingView;
  season: number;
  seasons: { season: number; leaf: number }[];
  onSeason: (season: number) => void;
}) {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const known = training.measured.find((m) => m.season === season);
  const version = known?.version ?? 0;
  const put = (trees: YoungTreesEntry) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/training/measures/{season}', {
        params: { path: { id: view.id, season } },
        body: { version, trees },
      }),
    );
  const form = useEntryForm<YoungTreesEntry>({
    of: `young ${view.id} ${season}`,
    section: 'young',
    spec,
    standing: known?.trees ?? null,
    put,
    // Told nothing, the server keeps nothing.
    remove: () => put({}),
  });
  const { fields, problem } = form;
  return (
    <section className="training-measures" data-test="young-trees">
      <h3>{t('training.measures')}</h3>
      <p className="small dim">{t('training.measures-text')}</p>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          form.save();
        }}
      >
        <fieldset className="part" disabled={!may('report')}>
          <div className="fields">
            <ChoiceField
              label={t('training.end-of')}
              value={String(season)}
              onChange={(s) => {
                onSeason(Number(s));
              }}
              options={seasons.map((s) => ({ value: String(s.season), label: t('training.season-leaf', s) }))}
            />
            {fields.input('height', ['m', 'cm', 'ft'], { label: t('training.height') })}
            {fields.input('girth', ['cm', 'mm', 'in'], { label: t('training.girth-field') })}
            {fields.input('limbs', ['limb/tree'], { label: t('training.limbs-field') })}
            {fields.input('growth', ['m', 'cm', 'ft', 'in'], { label: t('training.growth') })}
            {fields.input('internode', ['cm', 'mm', 'in'], { label: t('training.internode') })}
            {fields.input('trees', [], { label: t('training.trees') })}
          </div>
          {may('report') && <SaveLine of={form} test="save-young" wrong={problem('season') ?? problem('young')} />}
        </fieldset>
      </form>
    </section>
  );
}
