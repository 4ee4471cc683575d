import { Button } from 'antd';
import { useState } from 'react';
import type { CrewPlanView, CrewTaskView } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { languageOf } from '../../units/format';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { Wide } from '../../look/Wide';
import { CrewPlanFrame } from './CrewPlanFrame';
import './cost/cost.css';
import './workList.css';

/** What each crew does, in the order of the days, to print and hang up; and the same as a calendar. */
export function WorkListPage() {
  const { t } = useReading();
  return <CrewPlanFrame title={t('list.title')} page={(plan) => <WorkList plan={plan} />} />;
}

function WorkList({ plan }: { plan: CrewPlanView }) {
  const { t, language } = useReading();
  const day = useDays();
  const [crew, setCrew] = useState('');
  const shown = plan.crews.filter((c) => crew === '' || c.id === crew);
  return (
    <>
      <h1>{t('list.of', { day: day(plan.today) })}</h1>
      <div className="crew-plan-view no-print">
        <Choice
          label={t('cost.crew')}
          value={crew}
          onChange={setCrew}
          options={plan.crews.map((c) => ({ value: c.id, label: c.crew.name ?? '' }))}
          empty={t('list.all')}
        />
        <Button
          onClick={() => {
            window.print();
          }}
        >
          {t('list.print')}
        </Button>
        <a
          href={`/api/v1/crew-plan/calendar?language=${languageOf(language)}${crew && `&crew=${crew}`}`}
          download
          data-test="calendar"
        >
          {t('list.calendar')}
        </a>
      </div>
      {shown.map((c) => (
        <section key={c.id} className="work-list" data-test={`list-${c.crew.name}`}>
          <h2>{c.crew.name}</h2>
          <CrewTasks tasks={plan.tasks.filter((w) => w.placed?.crew === c.id)} />
        </section>
      ))}
    </>
  );
}

function CrewTasks({ tasks }: { tasks: CrewTaskView[] }) {
  const { t, local, number } = useReading();
  const day = useDays();
  if (tasks.length === 0) return <p>{t('list.nothing')}</p>;
  return (
    <Wide className="cost-table">
      <table>
        <thead>
          <tr>
            <th scope="col">{t('list.days')}</th>
            <th scope="col">{t('list.where')}</th>
            <th scope="col">{t('list.what')}</th>
            <th scope="col">{t('list.people')}</th>
            <th scope="col">{t('list.hours')}</th>
            <th scope="col">{t('list.until')}</th>
            <th scope="col">{t('list.done')}</th>
          </tr>
        </thead>
        <tbody>
          {tasks.map((w) => {
            const { first, last, people, hours, daysLate } = w.placed!;
            return (
              <tr key={w.id}>
                <th scope="row">{first === last ? day(first) : `${day(first)} – ${day(last)}`}</th>
                <td>
                  <strong>{w.code}</strong> {w.name}
                </td>
                <td>{local(w.passName)}</td>
                <td>{number(people, 0)}</td>
                <td>{number(hours, 0)} h</td>
                <td className={daysLate > 0 ? 'crew-plan-late' : undefined}>{w.due ? day(w.due) : '–'}</td>
                <td className="work-list-box" aria-label={t('list.done')} />
              </tr>
            );
          })}
        </tbody>
      </table>
    </Wide>
  );
}
