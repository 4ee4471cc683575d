import { useQuery } from '@tanstack/react-query';
import { Input } from 'antd';
import { useState } from 'react';
import { api, answered, type PracticeProgress, type SystemPractice } from '../../../api/client';
import { ScoreDays } from '../../../drawings/ScoreDays';
import { Wide } from '../../../look/Wide';
import { useReading } from '../../../words/useReading';
import { useCatalogue } from '../../estate/useCatalogue';

/** People from which on one looks for a name. */
const MANY = 12;

/** How one's own practice went over the years. */
export function MyProgress({ progress }: { progress: PracticeProgress }) {
  const { t } = useReading();
  return (
    <section data-test="my-progress">
      <h2>{t('progress.mine')}</h2>
      <ProgressTable of={[progress]} named={false} />
    </section>
  );
}

/** For leads: how everybody's practice went, system by system. */
export function Everybody() {
  const { t } = useReading();
  const [sought, setSought] = useState('');
  const all = useQuery({
    queryKey: ['practice', 'progress'],
    queryFn: () => answered(api.GET('/api/v1/practice/progress')) as Promise<PracticeProgress[]>,
  });
  if (!all.data || all.data.length === 0) return null;
  const found = all.data.filter((p) => p.pruner.toLocaleLowerCase().includes(sought.trim().toLocaleLowerCase()));
  return (
    <section data-test="progress">
      <h2>{t('progress.title')}</h2>
      <p className="dim">{t('progress.text')}</p>
      {all.data.length > MANY && (
        <Input
          className="progress-search"
          aria-label={t('progress.search')}
          placeholder={t('progress.search')}
          value={sought}
          onChange={(e) => {
            setSought(e.target.value);
          }}
        />
      )}
      <ProgressTable of={found} named />
    </section>
  );
}

function ProgressTable({ of, named }: { of: readonly PracticeProgress[]; named: boolean }) {
  const { t, number, local } = useReading();
  const systems = useCatalogue().data?.systems;
  return (
    <Wide>
      <table className="figures progress">
        <thead>
          <tr>
            {named && <th>{t('practice.who')}</th>}
            <th>{t('progress.system')}</th>
            <th className="number">{t('practice.trees')}</th>
            <th className="number">{t('progress.mean')}</th>
            <th>{t('progress.days')}</th>
          </tr>
        </thead>
        <tbody>
          {of.flatMap((p) =>
            p.systems.map((s, i) => (
              <tr key={`${p.worker}/${s.system}`}>
                {named && i === 0 && (
                  <th scope="rowgroup" rowSpan={p.systems.length}>
                    {p.pruner}
                  </th>
                )}
                <td>{local(systems?.find((x) => x.id === s.system)?.name) || s.system}</td>
                <td className="number">{s.trees}</td>
                <td className="number">{number(s.meanScore, 0)}</td>
                <td>
                  <Days of={s} />
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </Wide>
  );
}

/** A line from day to day; a single day has none. */
function Days({ of }: { of: SystemPractice }) {
  const { t, number, language } = useReading();
  const day = new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeZone: 'UTC' });
  const [first, last] = [of.days[0]!, of.days.at(-1)!];
  const said =
    of.days.length === 1
      ? t('progress.one-day', { day: day.format(new Date(first.on)), score: number(first.meanScore, 0) })
      : t('progress.from-to', {
          first: number(first.meanScore, 0),
          from: day.format(new Date(first.on)),
          last: number(last.meanScore, 0),
          to: day.format(new Date(last.on)),
        });
  return (
    <>
      {of.days.length > 1 && <ScoreDays scores={of.days.map((d) => d.meanScore)} label={said} />}
      <span className="small">{said}</span>
    </>
  );
}
