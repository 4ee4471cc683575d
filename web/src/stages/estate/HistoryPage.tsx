import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, answered, type ChangeView } from '../../api/client';
import { usePlantingWork } from '../../planting/usePlanting';
import { entryOf } from '../../planting/useSaves';
import { Wide } from '../../look/Wide';
import { fieldName, grouped, inWords } from './historyWords';
import { takenBack } from './takenBack';
import { useHistoryWords } from './useHistoryWords';
import { useReading } from '../../words/useReading';

/** Who changed what at the planting, when, and what stood there before. */
export function HistoryPage() {
  const { t, language } = useReading();
  const { view, failure } = usePlantingWork();
  const history = useQuery({
    queryKey: ['history', view.id, view.plantingVersion, view.planVersion],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/history', { params: { path: { id: view.id } } })),
  });
  const when = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeStyle: 'short' });
  return (
    <section>
      <div className="stage-head">
        <h2>{t('history.title')}</h2>
      </div>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
      {history.data?.length === 0 && <p className="dim">{t('history.none')}</p>}
      {history.data && history.data.length > 0 && (
        <Wide>
          <table className="figures history" data-test="history">
            <thead>
              <tr>
                <th>{t('history.when')}</th>
                <th>{t('history.who')}</th>
                <th>{t('history.what')}</th>
                <th>{t('history.before')}</th>
                <th>{t('history.after')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {grouped(history.data).map((changes, i) => (
                <Line key={i} changes={changes} when={when.format(new Date(changes[0]!.at))} />
              ))}
            </tbody>
          </table>
        </Wide>
      )}
    </section>
  );
}

/** A change, or all changes of one import: opened, each of them. */
function Line({ changes, when }: { changes: ChangeView[]; when: string }) {
  const { t } = useReading();
  const [isOpen, setOpen] = useState(false);
  const first = changes[0]!;
  const who = first.person ?? 'Rama';
  if (changes.length === 1) return <Change change={first} when={when} who={who} />;
  return (
    <>
      <tr>
        <td className="history-when">{when}</td>
        <td>{who}</td>
        <td colSpan={4}>
          {first.batch === null
            ? t('history.save', { what: whatOf(first, t), count: changes.length })
            : t('history.batch', { count: changes.length, file: first.file ?? '' })}{' '}
          <button
            type="button"
            className="text-button"
            aria-expanded={isOpen}
            onClick={() => {
              setOpen(!isOpen);
            }}
          >
            {t(isOpen ? 'history.close' : 'history.open')}
          </button>
        </td>
      </tr>
      {isOpen && changes.map((change, i) => <Change key={i} change={change} when="" who="" />)}
    </>
  );
}

function Change({ change, when, who }: { change: ChangeView; when: string; who: string }) {
  const { t } = useReading();
  const words = useHistoryWords();
  const { field, old, new: now } = change;
  const what = [whatOf(change, t), field && fieldName(field, t)];
  return (
    <tr>
      <td className="history-when">{when}</td>
      <td>
        {who}
        {change.imported && who !== '' && <span className="small dim"> {change.file ?? t('history.imported')}</span>}
      </td>
      <td>{what.filter(Boolean).join(' · ')}</td>
      <td>
        {old === null ? <span className="dim">{field ? t('history.empty') : '–'}</span> : inWords(field, old, words)}
      </td>
      <td>
        {now === null ? (
          <span className="dim">{field ? t('history.empty') : t('history.removed')}</span>
        ) : (
          inWords(field, now, words)
        )}
      </td>
      <td>
        <TakeBack change={change} />
      </td>
    </tr>
  );
}

/** Puts one field back as it was, where nobody changed it since. */
function TakeBack({ change }: { change: ChangeView }) {
  const { t } = useReading();
  const { view, may, put, saving, unsaved } = usePlantingWork();
  const back = takenBack(change, entryOf(view));
  // What is typed and not saved is saved or dropped first.
  if (back === null || !may(back.section) || unsaved.includes(back.section)) return null;
  return (
    <button
      type="button"
      className="text-button"
      disabled={saving}
      onClick={() => void put(back.section, back.entry)}
      data-test="take-back"
    >
      {t('history.take-back')}
    </button>
  );
}

/** What kind of thing changed, which one and of which season. */
const whatOf = ({ subject, detail, season }: ChangeView, t: ReturnType<typeof useReading>['t']) =>
  [t(`history.${subject}`, { detail, defaultValue: subject }), season && String(season)].filter(Boolean).join(' · ');
