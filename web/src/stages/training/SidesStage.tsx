import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, answered, type SidesView } from '../../api/client';
import { MOST_ALLEYS, SidesDrawing } from '../../drawings/SidesDrawing';
import type { FormSpec } from '../../entry/draft';
import { Notices } from '../../entry/Notices';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { YearsTabs } from './YearsTabs';
import './training.css';

type SidesEntry = NonNullable<SidesView['sides']>;

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
  return <Sides sides={sides.data} />;
}

function Sides({ sides }: { sides: SidesView }) {
  const { t, local } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const put = (entry: SidesEntry) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/sides', {
        params: { path: { id: view.id } },
        body: { version: sides.version, sides: entry },
      }),
    );
  const form = useEntryForm<SidesEntry>({
    of: `sides ${view.id}`,
    section: 'sides',
    spec,
    standing: sides.sides,
    usual: { start: sides.earliest, everyYears: 1 },
    takesUsual: true,
    put,
    // Told nothing, the server keeps nothing.
    remove: () => put({}),
  });
  const { fields } = form;
  const now = sides.calendar.find((s) => s.season === sides.season);
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
          form.save();
        }}
      >
        <fieldset className="part" disabled={!may('plan')}>
          <div className="fields">
            {fields.input('start', [], { label: t('sides.start') })}
            {fields.input('everyYears', ['year'], { label: t('sides.every') })}
            {fields.input('changeFrom', [], { label: t('sides.change-from') })}
            {fields.input('changeTo', ['year'], { label: t('sides.change-to') })}
          </div>
          {may('plan') && <SaveLine of={form} test="save-sides" wrong={form.problem('sides')} />}
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
