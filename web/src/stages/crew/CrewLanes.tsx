import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { CrewPlanView, CrewTaskView, TaskChoiceEntry } from '../../api/client';
import { dayAfter, halvesBetween, laneScale, mondays, type LaneScale } from '../../drawings/lanes';
import { useWidth } from '../../drawings/useWidth';
import { crewPlanKeys } from '../../keys/ofPages';
import { useTell } from '../../keys/told';
import { useMay } from '../../people/session';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { choiceOf } from './choice';
import { useCrewPlanChanges } from './useCrewPlan';

const LANE = 46;
const HEAD = 22;
const LABEL = 132;
/** A bar this wide has room for its code. */
const ROOM = 26;

interface Lane {
  id: string;
  label: string;
  about: string;
  tasks: CrewTaskView[];
}

/** Days across, a lane a crew or a planting; a piece of work shows its window when it is chosen. */
export function CrewLanes({
  plan,
  by,
  onlyLate,
  chosen,
  onChoose,
}: {
  plan: CrewPlanView;
  by: 'crew' | 'planting';
  onlyLate: boolean;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { t, number } = useReading();
  const day = useDays();
  const [ref, width] = useWidth<HTMLDivElement>(1_000);
  useTell(crewPlanKeys);
  const { keep, busy, failure, problemLike } = useCrewPlanChanges();
  const last = Math.max(20, ...plan.tasks.map((w) => w.placed?.end ?? 0));
  const scale = laneScale(width - LABEL - 2, last);
  const lanes = (by === 'crew' ? crewLanes(plan, number) : plantingLanes(plan)).map((lane) => ({
    ...lane,
    tasks: lane.tasks.filter((w) => !onlyLate || (w.placed?.daysLate ?? 0) > 0),
  }));
  const shown = onlyLate ? lanes.filter((lane) => lane.tasks.length > 0) : lanes;
  const height = HEAD + shown.length * LANE;
  const at = plan.tasks.find((w) => w.id === chosen);
  return (
    <div className="crew-lanes" ref={ref}>
      <svg
        width={LABEL + scale.x(scale.halves)}
        height={height}
        role="group"
        aria-label={t('crew-plan.lanes')}
        data-test="crew-lanes"
      >
        <defs>
          <pattern
            id="lane-late-hatch"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="2" height="6" fill="var(--rust)" />
          </pattern>
        </defs>
        <g transform={`translate(${LABEL} 0)`}>
          {mondays(plan.today, scale.halves).map((m) => (
            <g key={m.day} className="lane-week">
              <line x1={scale.x(m.half)} x2={scale.x(m.half)} y1={HEAD - 6} y2={height} />
              <text x={scale.x(m.half) + 3} y={HEAD - 8}>
                {day(m.day)}
              </text>
            </g>
          ))}
          {at && <Window task={at} plan={plan} scale={scale} height={height} />}
        </g>
        {shown.map((lane, i) => (
          <g key={lane.id} transform={`translate(0 ${HEAD + i * LANE})`}>
            <line className="lane-line" x1={0} x2={LABEL + scale.x(scale.halves)} y1={LANE} y2={LANE} />
            <text className="lane-name" x={0} y={20}>
              {lane.label}
            </text>
            <text className="lane-about" x={0} y={35}>
              {lane.about}
            </text>
            <g transform={`translate(${LABEL} 0)`}>
              {by === 'crew' && <DaysOff plan={plan} crew={lane.id} scale={scale} />}
              {lane.tasks.map((w) => (
                <Bar
                  key={w.id}
                  task={w}
                  plan={plan}
                  scale={scale}
                  isChosen={w.id === chosen}
                  onChoose={onChoose}
                  onKeep={(choice) => {
                    // What is on its way is seen first: a key held down does not overtake its own version.
                    if (!busy) void keep(w, choice);
                  }}
                  byCrew={by === 'crew'}
                  lanes={shown.map((l) => l.id)}
                  lane={i}
                />
              ))}
            </g>
          </g>
        ))}
      </svg>
      {(failure ?? problemLike(/./)) && (
        <p className="field-problem" role="alert">
          {failure ?? problemLike(/./)}
        </p>
      )}
    </div>
  );
}

function crewLanes(plan: CrewPlanView, number: (value: number) => string): Lane[] {
  return plan.crews.map((c) => ({
    id: c.id,
    label: c.crew.name ?? '',
    about: `${c.people} × ${number(c.crew.hoursPerDay ?? 0)} h`,
    tasks: plan.tasks.filter((w) => w.placed?.crew === c.id),
  }));
}

function plantingLanes(plan: CrewPlanView): Lane[] {
  const lanes = new Map<string, Lane>();
  for (const w of plan.tasks) {
    if (!w.placed) continue;
    const lane = lanes.get(w.planting) ?? { id: w.planting, label: `${w.code} ${w.name}`, about: w.site, tasks: [] };
    lane.tasks.push(w);
    lanes.set(w.planting, lane);
  }
  return [...lanes.values()].sort((a, b) => a.about.localeCompare(b.about) || a.label.localeCompare(b.label));
}

/** The window of the work chosen, behind everything. */
function Window({
  task,
  plan,
  scale,
  height,
}: {
  task: CrewTaskView;
  plan: CrewPlanView;
  scale: LaneScale;
  height: number;
}) {
  const from = Math.max(0, halvesBetween(plan.today, task.from));
  const to = task.due ? halvesBetween(plan.today, task.due) + 2 : scale.halves;
  return (
    <g className="lane-window" aria-hidden>
      <rect x={scale.x(from)} y={HEAD - 4} width={Math.max(0, scale.x(to - from))} height={height} />
      <line x1={scale.x(to)} x2={scale.x(to)} y1={HEAD - 4} y2={height} />
    </g>
  );
}

/** Days the crew does not work: holidays hatched, days of the week it never works pale. */
function DaysOff({ plan, crew, scale }: { plan: CrewPlanView; crew: string; scale: LaneScale }) {
  const found = plan.crews.find((c) => c.id === crew);
  return (
    <g aria-hidden>
      {(found?.free ?? [])
        .map((day) => ({ day, half: halvesBetween(plan.today, day) }))
        .filter(({ half }) => half < scale.halves)
        .map(({ day, half }) => (
          <rect
            key={day}
            className={
              found?.crew.daysOff?.some((o) => o.from && day >= o.from && day <= (o.to ?? o.from))
                ? 'lane-holiday'
                : 'lane-weekend'
            }
            x={scale.x(half)}
            y={1}
            width={scale.x(2)}
            height={LANE - 2}
          />
        ))}
    </g>
  );
}

function Bar({
  task,
  plan,
  scale,
  isChosen,
  onChoose,
  onKeep,
  byCrew,
  lanes,
  lane,
}: {
  task: CrewTaskView;
  plan: CrewPlanView;
  scale: LaneScale;
  isChosen: boolean;
  onChoose: (id: string) => void;
  onKeep: (choice: TaskChoiceEntry) => void;
  byCrew: boolean;
  lanes: string[];
  lane: number;
}) {
  const { t, local } = useReading();
  const day = useDays();
  const may = useMay();
  const [moved, setMoved] = useState<{ halves: number; lanes: number } | null>(null);
  const from = useRef<{ x: number; y: number } | null>(null);
  const placed = task.placed!;
  const doer = plan.crews.find((c) => c.id === placed.crew);
  const crew = doer?.crew.name ?? '';
  const isKept = task.choice.crew !== null || task.choice.start !== null;
  const change = (by: Partial<TaskChoiceEntry>) => {
    onKeep({ ...choiceOf(task), ...by });
  };
  const move = (days: number, crews: number) => {
    const to = lanes[lane + crews];
    // A day on which they do not work is stepped over.
    let begin = dayAfter(placed.first, days);
    while (doer?.free.includes(begin)) begin = dayAfter(begin, days < 0 ? -1 : 1);
    change({
      ...(days !== 0 && begin >= plan.today ? { start: begin } : {}),
      ...(byCrew && crews !== 0 && to ? { crew: to } : {}),
    });
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (e.key === 'Enter' || e.key === ' ') onChoose(task.id);
    else if (way && may('plan')) move(way[0]!, way[1]!);
    else if ((e.key === 'Delete' || e.key === 'Backspace') && may('plan')) change({ crew: null, start: null });
    else return;
    e.preventDefault();
  };
  const onPointerMove = (e: PointerEvent) => {
    if (!from.current) return;
    setMoved({
      halves: Math.round((e.clientX - from.current.x) / scale.half),
      lanes: byCrew ? Math.round((e.clientY - from.current.y) / LANE) : 0,
    });
  };
  const onPointerUp = () => {
    if (moved && (moved.halves !== 0 || moved.lanes !== 0)) move(Math.round(moved.halves / 2), moved.lanes);
    else onChoose(task.id);
    from.current = null;
    setMoved(null);
  };
  const told =
    t('crew-plan.bar', {
      code: task.code,
      pass: local(task.passName),
      crew,
      from: day(placed.first),
      to: day(placed.last),
    }) +
    (placed.daysLate > 0 ? t('crew-plan.bar-late', { count: placed.daysLate }) : '') +
    (isKept ? `, ${t('crew-plan.kept')}` : '');
  const state = placed.daysLate > 0 ? 'lane-late' : 'lane-in-time';
  return (
    <g
      className={`lane-bar ${state} ${isKept ? 'lane-kept' : ''} ${isChosen ? 'lane-chosen' : ''}`}
      transform={moved ? `translate(${scale.x(moved.halves)} ${moved.lanes * LANE})` : undefined}
      role="button"
      tabIndex={0}
      aria-pressed={isChosen}
      data-test={`bar-${task.code}-${task.pass}`}
      onFocus={() => {
        onChoose(task.id);
      }}
      onKeyDown={onKeyDown}
      onPointerDown={(e) => {
        if (!may('plan')) return;
        from.current = { x: e.clientX, y: e.clientY };
        (e.currentTarget as Element).setPointerCapture(e.pointerId);
      }}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
    >
      <title>{told}</title>
      {placed.spans.map((s) => (
        <g key={s.from}>
          <rect x={scale.x(s.from)} y={5} width={Math.max(2, scale.x(s.to - s.from) - 1)} height={LANE - 10} rx={3} />
          {state === 'lane-late' && (
            <rect
              className="lane-hatch"
              x={scale.x(s.from)}
              y={5}
              width={Math.max(2, scale.x(s.to - s.from) - 1)}
              height={LANE - 10}
              rx={3}
              fill="url(#lane-late-hatch)"
            />
          )}
        </g>
      ))}
      {placed.spans
        .filter((s) => scale.x(s.to - s.from) >= ROOM)
        .map((s) => (
          <text key={s.from} x={scale.x(s.from) + 4} y={LANE / 2 + 4}>
            {fitting(`${task.code} ${byCrew ? local(task.passName) : crew}`, scale.x(s.to - s.from) - 6)}
          </text>
        ))}
    </g>
  );
}

const LETTER = 6.4;

/** As much of a label as a bar has room for: whole, or its first word. */
function fitting(label: string, width: number): string {
  return label.length * LETTER <= width ? label : (label.split(' ')[0] ?? '');
}
