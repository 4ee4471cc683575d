import { api, answered, type Anchor, type ProgrammeView } from '../../api/client';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { usePlantingWork } from '../../planting/usePlanting';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { anchorsOfTheYear, siteAnchors } from './anchors';

/** Days a person can note. */
const anchors: Anchor[] = ['melt', ...anchorsOfTheYear, ...siteAnchors, 'coldNight', 'flushRipe', 'strikeSeen'];

type Days = Partial<Record<Anchor, string>>;

const notedIn = (days: Days) => anchors.filter((a) => days[a]).map((anchor) => ({ anchor, day: days[anchor]! }));

/** The days all windows hang on: expected ones, and those noted this season, which move what comes after them. */
export function NotedDays({ programme }: { programme: ProgrammeView }) {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const form = useEntryForm<Days>({
    of: `days ${view.id} ${view.season}`,
    section: 'days',
    spec: {},
    standing: Object.fromEntries((programme.noted.noted ?? []).map((d) => [d.anchor!, d.day ?? ''])),
    put: (days) =>
      answered(
        api.PUT('/api/v1/plantings/{id}/days', {
          params: { path: { id: view.id } },
          body: { version: view.planVersion, days: { noted: notedIn(days) } },
        }),
      ),
  });
  const { chosen, choose, problem } = form;
  const known = new Map(programme.days.map((d) => [d.anchor, d]));
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeZone: 'UTC' });
  const wrong = (anchor: Anchor) => problem(`noted[${notedIn(chosen).findIndex((n) => n.anchor === anchor)}].day`);
  return (
    <details className="passes-days" data-test="noted-days">
      <summary>{t('passes.days')}</summary>
      <p className="small dim">{t('passes.days-text')}</p>
      <table className="figures compact">
        <tbody>
          {anchors.map((anchor) => {
            const expected = known.get(anchor);
            return (
              <tr key={anchor}>
                <th scope="row">{t(`anchor.${anchor}`)}</th>
                <td>
                  <input
                    type="date"
                    aria-label={t(`anchor.${anchor}`)}
                    value={chosen[anchor] ?? ''}
                    disabled={!may('settings')}
                    onChange={(e) => {
                      choose({ [anchor]: e.target.value });
                    }}
                    data-test={`day-${anchor}`}
                  />
                  {wrong(anchor) && (
                    <p className="field-problem" role="alert">
                      {wrong(anchor)}
                    </p>
                  )}
                </td>
                <td className="small dim">
                  {expected &&
                    expected.basis !== 'recorded' &&
                    `${day.format(new Date(expected.day))}, ${t(`basis.${expected.basis}`)}`}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {may('settings') && <SaveLine of={form} test="save-days" />}
    </details>
  );
}
