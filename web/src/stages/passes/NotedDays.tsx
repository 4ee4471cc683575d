import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type Anchor, type ProgrammeView } from '../../api/client';
import { useAttempt } from '../../entry/useAttempt';
import { usePlantingWork } from '../../planting/usePlanting';
import { useMay } from '../../people/session';
import { useReading } from '../../words/useReading';
import { anchorsOfTheYear, siteAnchors } from './anchors';

/** Days a person can note. */
const anchors: Anchor[] = ['melt', ...anchorsOfTheYear, ...siteAnchors, 'coldNight', 'flushRipe', 'strikeSeen'];

/** The days all windows hang on: expected ones, and those noted this season, which move what comes after them. */
export function NotedDays({ programme }: { programme: ProgrammeView }) {
  const { t, language } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const client = useQueryClient();
  const { attempt, problem, failure, busy } = useAttempt();
  const before = new Map((programme.noted.noted ?? []).map((d) => [d.anchor!, d.day ?? '']));
  const [typed, setTyped] = useState<Map<Anchor, string>>(before);
  const known = new Map(programme.days.map((d) => [d.anchor, d]));
  const noted = anchors.filter((a) => typed.get(a)).map((anchor) => ({ anchor, day: typed.get(anchor)! }));
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeZone: 'UTC' });
  const save = () =>
    attempt(async () => {
      const planting = await answered(
        api.PUT('/api/v1/plantings/{id}/days', {
          params: { path: { id: view.id } },
          body: { version: view.planVersion, days: { noted } },
        }),
      );
      client.setQueryData(['planting', view.id, null], planting);
      await client.invalidateQueries();
    });
  const wrong = (anchor: Anchor) => problem(`noted[${noted.findIndex((n) => n.anchor === anchor)}].day`);
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
                    value={typed.get(anchor) ?? ''}
                    disabled={!may('settings')}
                    onChange={(e) => {
                      setTyped(new Map(typed).set(anchor, e.target.value));
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
      {may('settings') && (
        <Button type="primary" loading={busy} onClick={() => void save()} data-test="save-days">
          {t('save')}
        </Button>
      )}
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </details>
  );
}
