import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type Anchor, type DaysGroup, type DaysOfPlanting, type DaysView } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { SaveLine, type Saving } from '../../entry/SaveLine';
import { useEntrySaves } from '../../entry/useEntrySaves';
import { useLeaveWarning } from '../../entry/useLeaveWarning';
import { Wide } from '../../look/Wide';
import { useMay } from '../../people/session';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { anchorsOfTheYear } from './anchors';
import { dayOf, notedIn, spanOf, toNote, type Typed } from './typedDays';
import './passes.css';

/** A day of the year, such as green tip, at all plantings: noted for those of a variety on a site together. */
export function DaysPage() {
  const { t } = useReading();
  const [anchor, setAnchor] = useState<Anchor>('greenTip');
  const days = useQuery({
    queryKey: ['days', anchor],
    queryFn: () => answered(api.GET('/api/v1/days', { params: { query: { anchor } } })),
  });
  useEffect(() => {
    document.title = `${t('days.title')} · Rama`;
  }, [t]);
  if (days.error) return <Trouble error={days.error} retry={() => void days.refetch()} />;
  return (
    <main className="page passes">
      <div className="stage-head">
        <h1>{t('days.title')}</h1>
        <Choice
          label={t('days.which')}
          value={anchor}
          onChange={(next) => {
            setAnchor(next as Anchor);
          }}
          options={anchorsOfTheYear.map((value) => ({ value, label: t(`anchor.${value}`) }))}
        />
      </div>
      {days.data ? <Days key={anchor} view={days.data} /> : <p className="waiting">{t('loading')}</p>}
    </main>
  );
}

function Days({ view }: { view: DaysView }) {
  const { t, number } = useReading();
  const may = useMay();
  const [typed, setTyped] = useState<Typed>(new Map());
  const now = notedIn(view);
  // What stood when the typing began.
  const [base, setBase] = useState(now);
  const note = toNote(view, typed);
  const { save, undo, forget, problem, problemLike, ...saves } = useEntrySaves({
    of: `days ${view.anchor}`,
    standing: now,
    put: (days) => answered(api.PUT('/api/v1/days', { body: { days: toNote(view, new Map(Object.entries(days))) } })),
  });
  const saving: Saving = {
    ...saves,
    isDirty: note.length > 0,
    isSaved: view.noted > 0,
    save: () =>
      void save({ base, mine: { ...base, ...Object.fromEntries(typed) }, now }).then(({ saved, left }) => {
        if (left) setBase(now);
        if (saved) setTyped(new Map());
      }),
    discard: () => {
      setTyped(new Map());
      forget();
    },
    undo: () => void undo(),
  };
  useLeaveWarning(note.length > 0);
  const wrong = (plantings: DaysOfPlanting[]) =>
    plantings.map((p) => problem(`days[${note.findIndex((n) => n.planting === p.id)}].day`)).find(Boolean);
  const type = (plantings: DaysOfPlanting[], day: string) => {
    if (typed.size === 0) setBase(now);
    setTyped(new Map([...typed, ...plantings.map((p) => [p.id, day] as const)]));
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        saving.save();
      }}
    >
      <p className="passes-sum" data-test="days-noted">
        {t('days.noted', { noted: number(view.noted, 0), count: view.plantings })}
      </p>
      <p className="dim">{t('days.text')}</p>
      <Wide>
        <table className="figures days" data-test="days">
          <thead>
            <tr>
              <th>{t('days.site')}</th>
              <th>{t('days.variety')}</th>
              <th>{t('days.plantings')}</th>
              <th>{t('days.expected')}</th>
              <th>{t('days.seen')}</th>
            </tr>
          </thead>
          <tbody>
            {view.groups.map((group) => (
              <Group
                key={`${group.site} ${group.variety}`}
                group={group}
                typed={typed}
                onType={may('settings') ? type : undefined}
                wrong={wrong}
              />
            ))}
          </tbody>
        </table>
      </Wide>
      {may('settings') && (
        <div className="days-save">
          <SaveLine
            of={saving}
            submits
            test="save-days"
            label={note.length === 0 ? undefined : t('days.save', { count: note.length })}
            wrong={problemLike(/^days$/)}
          />
        </div>
      )}
    </form>
  );
}

interface LineProps {
  typed: Typed;
  /** Left out where nobody may. */
  onType?: ((plantings: DaysOfPlanting[], day: string) => void) | undefined;
  wrong: (plantings: DaysOfPlanting[]) => string | undefined;
}

/** Those of a variety on a site; opened, each of them. */
function Group({ group, ...line }: LineProps & { group: DaysGroup }) {
  const { t } = useReading();
  const [isOpen, setOpen] = useState(false);
  const { plantings } = group;
  return (
    <>
      <tr>
        <th scope="row">{group.site}</th>
        <td>{group.variety}</td>
        <td>
          {plantings.length === 1 ? (
            <PlantingLink planting={plantings[0]!} />
          ) : (
            <button
              type="button"
              className="text-button"
              aria-expanded={isOpen}
              onClick={() => {
                setOpen(!isOpen);
              }}
            >
              {t('many.plantings', { count: plantings.length })}
            </button>
          )}
        </td>
        <Day plantings={plantings} label={`${group.variety}, ${group.site}`} {...line} />
      </tr>
      {isOpen &&
        plantings.map((planting) => (
          <tr key={planting.id} className="days-each">
            <td colSpan={2} />
            <td>
              <PlantingLink planting={planting} />
            </td>
            <Day plantings={[planting]} label={titleOf(planting)} {...line} />
          </tr>
        ))}
    </>
  );
}

const PlantingLink = ({ planting }: { planting: DaysOfPlanting }) => (
  <Link to={`/plantings/${planting.id}/passes`}>{titleOf(planting)}</Link>
);

/** When it is expected, and when it was seen. */
function Day({ plantings, label, typed, onType, wrong }: LineProps & { plantings: DaysOfPlanting[]; label: string }) {
  const { t } = useReading();
  const day = useDays();
  const noted = spanOf(plantings.filter((p) => p.basis === 'recorded'));
  const open = plantings.filter((p) => p.basis !== 'recorded');
  const expected = spanOf(open);
  const bases = [...new Set(open.map((p) => p.basis))];
  const between = ({ first, last }: { first: string; last: string }) =>
    first === last ? day(first) : `${day(first)} – ${day(last)}`;
  const problem = wrong(plantings);
  return (
    <>
      <td>
        {expected && between(expected)}
        {expected && bases.length === 1 && <span className="small dim"> {t(`basis.${bases[0]!}`)}</span>}
        {open.length > 0 && !expected && <span className="dim">{t('days.unknown')}</span>}
      </td>
      <td>
        <input
          type="date"
          aria-label={`${t('days.seen')}: ${label}`}
          value={dayOf(plantings, typed)}
          disabled={!onType}
          onChange={(e) => onType?.(plantings, e.target.value)}
        />
        {noted && noted.first !== noted.last && (
          <span className="small dim"> {t('days.several', { first: day(noted.first), last: day(noted.last) })}</span>
        )}
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </td>
    </>
  );
}
