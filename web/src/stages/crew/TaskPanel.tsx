import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CrewPlanView, CrewTaskView, TaskChoiceEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { Choice } from '../../entry/Choice';
import { fieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { ToldVerdictLine } from '../check/ToldVerdictLine';
import { choiceOf } from './choice';
import { Pace } from './Pace';
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
  const { t, local, told } = useReading();
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
          <Why steps={task.hoursSteps}>{told(task.hours, 'h', 0)}</Why>
          {task.placed && Math.round(task.placed.hours) !== Math.round(task.hours) && (
            <span className="dim">
              {' '}
              {t('crew-plan.hours-of', { crew: crew?.crew.name, hours: told(task.placed.hours, 'h', 0) })}
            </span>
          )}
          {task.assumed && <span className="dim"> {t('crew-plan.hours-assumed')}</span>}
        </dd>
        {task.finish && (
          <>
            <dt>{t('crew-plan.finish')}</dt>
            <dd data-test="task-finish">
              {day(task.finish.first)} – {day(task.finish.last)}{' '}
              <span className="dim">{t('crew-plan.nine-in-ten')}</span>
            </dd>
          </>
        )}
        {task.pace?.isLogged && (
          <>
            <dt>{t('crew-plan.pace')}</dt>
            <dd>
              <Pace of={task.pace} />
            </dd>
          </>
        )}
        {task.done && task.done.treesDone > 0 && (
          <>
            <dt>{t('crew-plan.done')}</dt>
            <dd>
              <Why steps={task.done.steps}>{told(task.done.value, 'share', 0)}</Why>
            </dd>
          </>
        )}
        {task.check && (
          <>
            <dt>{t('crew-plan.check')}</dt>
            <dd>
              <Link to={`/plantings/${task.planting}/check`}>
                <ToldVerdictLine told={task.check} />
              </Link>
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
        <dd>
          <Why steps={task.lateSteps}>{money(task.latePerDay)}</Why>
        </dd>
      </dl>
      {task.done && <Notices notices={task.done.warnings} />}
      {may('plan') && <Keep plan={plan} task={task} />}
    </>
  );
}

const keepSpec: FormSpec = { crew: 'choice', start: 'choice', latePerDay: 'number', platforms: 'number' };

function Keep({ plan, task }: { plan: CrewPlanView; task: CrewTaskView }) {
  const reading = useReading();
  const { t } = reading;
  const { keep, problem, failure, busy, unreadable } = useCrewPlanChanges();
  const [draft, setDraft] = useState<Draft>(() => toDraft(keepSpec, choiceOf(task), reading));
  const [never, setNever] = useState(task.choice.neverLate);
  const [inTwo, setInTwo] = useState(task.choice.inTwo);
  const save = () => {
    const { entry, unreadable: wrong } = readDraft<TaskChoiceEntry>(keepSpec, draft, reading.language);
    if (wrong.length > 0) unreadable(wrong);
    else void keep(task, { ...entry, neverLate: never, inTwo });
  };
  const form = fieldControls('task', draft, setDraft, problem, t, save);
  return (
    <form
      className="crew-keep"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <div className="field" data-field="crew">
        <span className="field-label" aria-hidden>
          {t('crew-plan.keep-crew')}
        </span>
        <Choice
          label={t('crew-plan.keep-crew')}
          value={draft.crew?.text ?? ''}
          onChange={(text) => {
            setDraft({ ...draft, crew: { text } });
          }}
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
          value={draft.start?.text ?? ''}
          onChange={(e) => {
            setDraft({ ...draft, start: { text: e.target.value } });
          }}
        />
        {problem('start') && <p className="field-problem">{problem('start')}</p>}
      </div>
      {form.input('latePerDay', [plan.currency ?? t('choice.money')], {
        label: t('crew-plan.late-per-day'),
        placeholder: t('crew-plan.usual'),
      })}
      {form.input('platforms', [], { label: t('crew-plan.platforms') })}
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
