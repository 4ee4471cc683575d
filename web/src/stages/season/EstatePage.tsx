import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { api, answered, type EstateEntry, type SeasonView } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { SaveLine } from '../../entry/SaveLine';
import { useAttempt } from '../../entry/useAttempt';
import { useEntryForm } from '../../entry/useEntryForm';
import { Trouble } from '../../Trouble';
import { RemovedPlantings } from '../estate/RemovedPlantings';
import { useReading } from '../../words/useReading';
import { Closing } from './Closing';
import { nextSteps } from './nextSteps';
import { useSeason } from './useSeason';

/** What a manager tells of the estate as a whole, the season planned for, and further estates. */
export function EstatePage() {
  const { t } = useReading();
  const season = useSeason();
  useEffect(() => {
    document.title = `${t('estate')} · Rama`;
  }, [t]);
  if (season.error) return <Trouble error={season.error} retry={() => void season.refetch()} />;
  if (!season.data) return <p className="waiting">{t('loading')}</p>;
  return (
    <main className="page">
      <h1>{t('estate')}</h1>
      <div className="columns">
        <section>
          <Facts season={season.data} />
        </section>
        <aside>
          <NextSeason season={season.data} />
          <RemovedPlantings />
          <AnotherEstate season={season.data.season} />
        </aside>
      </div>
    </main>
  );
}

const widths = ['finger', 'thumb', 'hand'] as const;
const heights = ['knee', 'thigh', 'shoulder', 'reach'] as const;

const factsSpec: FormSpec = {
  name: 'text',
  crewHoursPerWeek: 'number',
  currency: 'text',
  ...Object.fromEntries([...widths, ...heights].map((part) => [`bodyMarks.${part}`, { amount: 'cm' }])),
};

function Facts({ season }: { season: SeasonView }) {
  const { t, number } = useReading();
  const form = useEntryForm<EstateEntry>({
    of: 'estate',
    section: 'estate',
    spec: factsSpec,
    standing: {
      name: season.estate,
      crewHoursPerWeek: season.crewHoursTold,
      bodyMarks: season.bodyMarks,
      currency: season.currency,
    },
    put: (estate) => answered(api.PUT('/api/v1/estate', { body: { version: season.estateVersion, estate } })),
  });
  const { fields } = form;
  return (
    <form
      className="fields"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        form.save();
      }}
    >
      {fields.input('name', [], { numeric: false, label: t('field.estate') })}
      {fields.input('crewHoursPerWeek', ['h/week'], {
        label: t('estate.crew-hours'),
        hint: t(season.hasCrews ? 'estate.crew-hours-crews' : 'estate.crew-hours-hint', {
          hours: number(season.crewHoursPerWeek, 0),
        }),
      })}
      {fields.input('currency', [], { numeric: false, label: t('money'), hint: t('money.hint') })}
      <fieldset className="estate-marks">
        <legend>{t('estate.marks')}</legend>
        <p className="small dim">{t('estate.marks-text')}</p>
        <div className="fields">
          {[...widths, ...heights].map((part) => (
            <div key={part}>{fields.input(`bodyMarks.${part}`, ['cm', 'in'], { label: t(`estate.mark-${part}`) })}</div>
          ))}
        </div>
      </fieldset>
      <SaveLine of={form} test="save-estate" />
    </form>
  );
}

/** Closing a season; going back one undoes it. */
function NextSeason({ season }: { season: SeasonView }) {
  const { t } = useReading();
  const client = useQueryClient();
  const { failure, attempt } = useAttempt();
  const current = season.isPast ? null : season.season;
  if (current === null) return null;
  const open = nextSteps(season.plantings).filter((step) => step.key !== 'past' && step.key !== 'cards');
  const go = (year: number) =>
    attempt(async () => {
      await answered(api.PUT('/api/v1/season', { body: { season: year } }));
      await client.invalidateQueries();
    });
  return (
    <section className="sheet estate-part">
      <h2>{t('estate.season', { season: current })}</h2>
      <p className="small dim">{t('estate.season-text')}</p>
      {open.length > 0 && (
        <>
          <p className="small">{t('estate.still-open')}</p>
          <ul className="small" data-test="still-open">
            {open.map((step) => (
              <li key={step.key}>
                {step.lines.length} {t(`known.step.${step.key}`, { count: step.lines.length })}
              </li>
            ))}
          </ul>
        </>
      )}
      <Closing />
      <div className="save-bar">
        <Button onClick={() => void go(current + 1)} data-test="next-season">
          {t('estate.season-next', { season: current + 1 })}
        </Button>
        {season.seasons.includes(current - 1) && (
          <Button onClick={() => void go(current - 1)}>{t('estate.season-back', { season: current - 1 })}</Button>
        )}
      </div>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </section>
  );
}

const newSpec: FormSpec = { estate: 'text', season: 'number' };

function AnotherEstate({ season }: { season: number }) {
  const reading = useReading();
  const { t, language } = reading;
  const { problem, failure, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() => toDraft(newSpec, { season }, reading));
  const add = () =>
    attempt(async () => {
      const { entry } = readDraft<{ estate: string }>(newSpec, draft, language);
      const made = await answered(api.POST('/api/v1/estates', { body: entry }));
      await answered(api.PUT('/api/v1/session/estate', { body: { estate: made.id } }));
      window.location.assign('/');
    });
  const form = fieldControls('new', draft, setDraft, problem, t, () => void add());
  return (
    <form
      className="sheet estate-part"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void add();
      }}
    >
      <h2>{t('estate.another')}</h2>
      {form.input('estate', [], { numeric: false })}
      {form.input('season', [])}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      <Button htmlType="submit" data-test="add-estate">
        {t('estate.another-do')}
      </Button>
    </form>
  );
}
