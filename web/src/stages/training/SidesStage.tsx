import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type SidesView } from '../../api/client';
import { MOST_ALLEYS, SidesDrawing } from '../../drawings/SidesDrawing';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { YearsTabs } from './YearsTabs';
import './training.css';

const spec: FormSpec = { start: 'number', everyYears: 'number', changeFrom: 'number', changeTo: 'number' };

/** Sides in turn: which alley is renewed in which season, drawn from above. */
export function SidesStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const sides = useQuery({
    queryKey: ['sides', view.id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/sides', { params: { path: { id: view.id } } })),
  });
  if (sides.error) return <Trouble error={sides.error} retry={() => void sides.refetch()} />;
  if (!sides.data) return <p className="waiting">{t('loading')}</p>;
  if (!sides.data.has) return <p className="dim">{t('sides.none')}</p>;
  return <Sides sides={sides.data} key={sides.data.version} />;
}

function Sides({ sides }: { sides: SidesView }) {
  const reading = useReading();
  const { t, local, language } = reading;
  const { view } = usePlantingWork();
  const may = useMay();
  const client = useQueryClient();
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() =>
    toDraft(spec, sides.sides ?? { start: sides.earliest, everyYears: 1 }, reading),
  );
  const save = () => {
    const { entry, unreadable: bad } = readDraft<NonNullable<SidesView['sides']>>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    void attempt(async () => {
      await answered(
        api.PUT('/api/v1/plantings/{id}/sides', {
          params: { path: { id: view.id } },
          body: { version: sides.version, sides: entry },
        }),
      );
      await client.invalidateQueries();
    });
  };
  const form = fieldControls('sides', draft, setDraft, problem, t, save);
  const now = sides.calendar.find((s) => s.season === sides.season);
  const wrong = failure ?? problem('sides');
  const renewed = (now?.alleys ?? []).flatMap((state, i) => (state === 'renewed' ? [i + 1] : []));
  return (
    <section className="training">
      <YearsTabs at="sides" />
      <div className="stage-head">
        <h2>{t('sides.title')}</h2>
        <p className="training-sum" data-test="sides-now">
          {now &&
            (renewed.length > 0 ? (
              <>
                {t('sides.now', { season: sides.season })} <strong>{inShort(renewed)}</strong>
              </>
            ) : (
              t('sides.now-rest', { season: sides.season })
            ))}
        </p>
        <Link to={`/plantings/${view.id}/passes`} className="small">
          {t('passes.title')}
        </Link>
      </div>
      {sides.note && <p className="passes-caution">▲ {local(sides.note)}</p>}
      <Notices notices={sides.warnings} />
      {sides.calendar.length > 0 && (
        <>
          <SidesDrawing calendar={sides.calendar} season={sides.season} />
          {sides.calendar[0]!.alleys.length > MOST_ALLEYS && (
            <p className="small dim">
              {t('sides.first-alleys', { shown: MOST_ALLEYS, alleys: sides.calendar[0]!.alleys.length })}
            </p>
          )}
          <ul className="sides-key small">
            {(['renewed', 'chosen', 'crops'] as const).map((state) => (
              <li key={state}>
                <strong>{t(`sides.letter.${state}`)}</strong> {t(`sides.state.${state}`)}
              </li>
            ))}
          </ul>
        </>
      )}
      <p className="small dim">
        {t('sides.text', { earliest: sides.earliest })}
        {sides.rows === 0 && ` ${t('sides.no-rows')}`}
      </p>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <fieldset className="part" disabled={!may('plan')}>
          <div className="fields">
            {form.input('start', [], { label: t('sides.start') })}
            {form.input('everyYears', ['year'], { label: t('sides.every') })}
            {form.input('changeFrom', [], { label: t('sides.change-from') })}
            {form.input('changeTo', ['year'], { label: t('sides.change-to') })}
          </div>
          {wrong && (
            <p className="field-problem" role="alert">
              {wrong}
            </p>
          )}
          {may('plan') && (
            <Button type="primary" htmlType="submit" loading={busy} data-test="save-sides">
              {t('save')}
            </Button>
          )}
        </fieldset>
      </form>
    </section>
  );
}

const MOST_LISTED = 8;

/** Alleys of a wide block as the first ones and the last: every second one is meant. */
function inShort(alleys: number[]): string {
  return alleys.length <= MOST_LISTED ? alleys.join(' · ') : [...alleys.slice(0, 3), '…', alleys.at(-1)].join(' · ');
}
