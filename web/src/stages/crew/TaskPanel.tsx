import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CrewPlanView, CrewTaskView } from '../../api/client';
import { Choice, Field } from '../../entry/Field';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { parseNumber } from '../../units/parse';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { choiceOf } from './choice';
import { useCrewPlanChanges, useMoney } from './useCrewPlan';

/** The work chosen: its window and hours, and what is kept of it. */
export function TaskPanel({ plan, task }: { plan: CrewPlanView; task: CrewTaskView | null }) {
  const { t } = useReading();
  return (
    <aside className="crew-task" aria-label={t('crew-plan.task')} data-test="crew-task">
      {task ? <Task plan={plan} task={task} /> : <p className="dim">{t('crew-plan.choose')}</p>}
    </aside>
  );
}

function Task({ plan, task }: { plan: CrewPlanView; task: CrewTaskView }) {
  const { t, local, number, told } = useReading();
  const day = useDays();
  const may = useMay();
  const money = useMoney(plan);
  const crew = plan.crews.find((c) => c.id === task.placed?.crew);
  return (
    <>
      <h2>
        <Link to={`/plantings/${task.planting}/passes`}>
          {task.code} {task.name}
        </Link>
      </h2>
      <p>{local(task.passName)}</p>
      <dl className="crew-task-facts">
        <dt>{t('crew-plan.window')}</dt>
        <dd>
          {day(task.from)} – {task.due && day(task.due)}
        </dd>
        {task.placed && (
          <>
            <dt>{t('crew-plan.planned')}</dt>
            <dd>
              {crew?.crew.name}, {day(task.placed.first)} – {day(task.placed.last)}
              {task.placed.overtime && `, ${t('crew-plan.overtime')}`}
            </dd>
          </>
        )}
        <dt>{t('crew-plan.hours')}</dt>
        <dd>
          {told(task.hours, 'h', 0)}
          {task.assumed && <span className="dim"> {t('crew-plan.hours-assumed')}</span>}
        </dd>
        {task.done && task.done.treesDone > 0 && (
          <>
            <dt>{t('crew-plan.done')}</dt>
            <dd>
              <Why steps={task.done.steps}>{told(task.done.value, 'share', 0)}</Why>
            </dd>
          </>
        )}
        <dt>{t('crew-plan.needs')}</dt>
        <dd>{task.needs.map((h) => t(`hands.${h}`)).join(', ')}</dd>
        {task.usableShare !== null && (
          <>
            <dt>{t('crew-plan.usable')}</dt>
            <dd>{told(task.usableShare, 'share', 0)}</dd>
          </>
        )}
        <dt>{t('crew-plan.a-day')}</dt>
        <dd>{task.latePerDay < 1 ? number(task.latePerDay, 1) : money(task.latePerDay)}</dd>
      </dl>
      {task.done && <Notices notices={task.done.warnings} />}
      {may('plan') && <Keep plan={plan} task={task} />}
    </>
  );
}

function Keep({ plan, task }: { plan: CrewPlanView; task: CrewTaskView }) {
  const { t, language } = useReading();
  const { keep, problem, failure, busy, unreadable } = useCrewPlanChanges();
  const [crew, setCrew] = useState(task.choice.crew ?? '');
  const [start, setStart] = useState(task.choice.start ?? '');
  const [perDay, setPerDay] = useState(task.choice.latePerDay?.toString() ?? '');
  const [platforms, setPlatforms] = useState(task.choice.platforms ? `${task.choice.platforms}` : '');
  const [never, setNever] = useState(task.choice.neverLate);
  const [inTwo, setInTwo] = useState(task.choice.inTwo);
  const save = () => {
    const numbers = { latePerDay: parseNumber(perDay, language), platforms: parseNumber(platforms, language) };
    const wrong = Object.entries(numbers).filter(([, n]) => Number.isNaN(n));
    if (wrong.length > 0) {
      unreadable(wrong.map(([field]) => field));
      return;
    }
    void keep(task, {
      crew: crew || null,
      start: start || null,
      latePerDay: numbers.latePerDay,
      platforms: numbers.platforms,
      neverLate: never,
      inTwo,
    });
  };
  return (
    <form
      className="crew-keep"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <div className="field" data-field="crew">
        <label>{t('crew-plan.keep-crew')}</label>
        <Choice
          label={t('crew-plan.keep-crew')}
          value={crew}
          onChange={setCrew}
          options={[
            { value: '', label: t('crew-plan.any') },
            ...plan.crews.map((c) => ({ value: c.id, label: c.crew.name ?? '' })),
          ]}
        />
        {problem('crew') && <p className="field-problem">{problem('crew')}</p>}
      </div>
      <div className="field" data-field="start">
        <label htmlFor="keep-start">{t('crew-plan.keep-day')}</label>
        <input
          id="keep-start"
          className="crew-date"
          type="date"
          value={start}
          onChange={(e) => {
            setStart(e.target.value);
          }}
        />
        {problem('start') && <p className="field-problem">{problem('start')}</p>}
      </div>
      <Field
        label={t('crew-plan.late-per-day')}
        path="latePerDay"
        text={perDay}
        onText={setPerDay}
        placeholder={t('crew-plan.usual')}
        problem={problem('latePerDay')}
      />
      <Field
        label={t('crew-plan.platforms')}
        path="platforms"
        text={platforms}
        onText={setPlatforms}
        problem={problem('platforms')}
      />
      <Checkbox
        checked={never}
        onChange={(e) => {
          setNever(e.target.checked);
        }}
      >
        {t('crew-plan.never-late')}
      </Checkbox>
      <Checkbox
        checked={inTwo}
        onChange={(e) => {
          setInTwo(e.target.checked);
        }}
      >
        {t('crew-plan.in-two')}
      </Checkbox>
      <p>
        <Button type="primary" htmlType="submit" disabled={busy}>
          {t('crew-plan.save')}
        </Button>{' '}
        {(task.choice.crew ?? task.choice.start) && (
          <Button disabled={busy} onClick={() => void keep(task, { ...choiceOf(task), crew: null, start: null })}>
            {t('crew-plan.free')}
          </Button>
        )}
      </p>
      {(failure ?? problem('task')) && (
        <p className="field-problem" role="alert">
          {failure ?? problem('task')}
        </p>
      )}
    </form>
  );
}
