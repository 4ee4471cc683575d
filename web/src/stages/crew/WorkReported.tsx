import { useQuery } from '@tanstack/react-query';
import { Button, Select } from 'antd';
import { useState } from 'react';
import {
  answered,
  api,
  type CrewPlanView,
  type PlannedPass,
  type WorkReportEntry,
  type WorkReportView,
} from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import '../../words/crew';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import './crewPlan.css';
import { rowNumbers, rowsTold } from './rowNumbers';
import { useCrewPlan } from './useCrewPlan';
import { useWork, useWorkReports } from './useWork';

/** Work reported of the planting, hazards first to be seen; typed and put right here, too. */
export function WorkReported({ passes, today }: { passes: PlannedPass[]; today: string }) {
  const may = useMay();
  return may('report') ? <Reported passes={passes} today={today} /> : null;
}

function Reported({ passes, today }: { passes: PlannedPass[]; today: string }) {
  const { t, local } = useReading();
  const day = useDays();
  const { view } = usePlantingWork();
  const work = useWork(view.id);
  const plan = useCrewPlan();
  const reports = useWorkReports(view.id, view.season);
  const [open, setOpen] = useState<{ report: WorkReportView | null } | null>(null);
  if (!work.data) return null;
  const when = (r: WorkReportView) => r.report.day && day(r.report.day);
  const passName = (id: string | null | undefined) => {
    const found = passes.find((p) => p.id === id);
    return found ? local(found.name) : (id ?? '');
  };
  return (
    <section className="work-reported" data-test="work-reported">
      <h3>{t('report.title')}</h3>
      {work.data.reports.length === 0 && <p className="dim">{t('report.none')}</p>}
      <ul>
        {work.data.reports.map((r) => (
          <li key={r.id}>
            <strong>{when(r)}</strong> {passName(r.report.pass)} · <Told report={r.report} />{' '}
            <span className="dim">{r.person}</span>{' '}
            <Button
              size="small"
              onClick={() => {
                setOpen({ report: r });
              }}
            >
              {t('report.correct')}
            </Button>{' '}
            <Button size="small" disabled={reports.busy} onClick={() => void reports.takeBack(r.id)}>
              {t('work.undo')}
            </Button>
            {r.report.hazard && <p className="work-hazard">▲ {r.report.hazard}</p>}
            {r.report.note && <p className="dim">{r.report.note}</p>}
          </li>
        ))}
      </ul>
      {open ? (
        <ReportForm
          key={open.report?.id ?? 'new'}
          report={open.report}
          passes={passes}
          crews={plan.data?.crews ?? []}
          today={today}
          of={reports}
          onDone={() => {
            setOpen(null);
          }}
        />
      ) : (
        <Button
          onClick={() => {
            setOpen({ report: null });
          }}
          data-test="report-add"
        >
          {t('report.add')}
        </Button>
      )}
      {(reports.failure ?? reports.problemLike(/^(planting|season|supersedes|body)$/)) && (
        <p className="field-problem" role="alert">
          {reports.failure ?? reports.problemLike(/^(planting|season|supersedes|body)$/)}
        </p>
      )}
    </section>
  );
}

function Told({ report }: { report: WorkReportEntry }) {
  const { t, number } = useReading();
  return (
    <>
      {[
        report.rows?.length ? t('work.rows-told', { rows: rowsTold(report.rows) }) : '',
        report.trees ? t('work.trees-told', { count: report.trees }) : '',
        report.hours != null ? `${number(report.people ?? 0, 0)} × ${number(report.hours)} h` : '',
        report.brush ? `${t('work.brush')} ${t(`work.brush-${report.brush}`)}` : '',
      ]
        .filter(Boolean)
        .join(' · ')}
    </>
  );
}

const spec: FormSpec = {
  pass: 'choice',
  crew: 'choice',
  people: 'number',
  hours: 'number',
  trees: 'number',
  brush: 'choice',
  hazard: 'text',
  note: 'text',
};

function ReportForm({
  report,
  passes,
  crews,
  today,
  of,
  onDone,
}: {
  report: WorkReportView | null;
  passes: PlannedPass[];
  crews: CrewPlanView['crews'];
  today: string;
  of: ReturnType<typeof useWorkReports>;
  onDone: () => void;
}) {
  const reading = useReading();
  const { t, local, language } = reading;
  const open = passes.filter((p) => p.state !== 'leftOut' && p.hours);
  const [draft, setDraft] = useState<Draft>(() => ({
    ...toDraft(spec, report?.report ?? { pass: open[0]?.id }, reading),
    rows: { text: rowsTold(report?.report.rows ?? []) },
  }));
  const [on, setOn] = useState(report?.report.day ?? today);
  const [workers, setWorkers] = useState<string[]>(report?.report.workers ?? []);
  const people = useQuery({
    queryKey: ['crew-plan', 'people'],
    queryFn: () => answered(api.GET('/api/v1/workers')),
  });
  const save = async () => {
    const { entry, unreadable } = readDraft<WorkReportEntry>(spec, draft, language);
    const rows = rowNumbers(draft.rows?.text ?? '');
    if (rows === null) unreadable.push('rows');
    if (unreadable.length > 0) of.unreadable(unreadable);
    else if (
      await of.report(
        {
          ...entry,
          day: on || null,
          rows: rows ?? [],
          workers,
          hazard: entry.hazard?.trim() || null,
          note: entry.note?.trim() || null,
        },
        report?.id ?? null,
      )
    )
      onDone();
  };
  const form = fieldControls('report', draft, setDraft, of.problem, t, () => void save());
  return (
    <form
      className="crews-form"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      {form.choice(
        'pass',
        open.map((p) => ({ value: p.id, label: local(p.name) })),
      )}
      <div className="field" data-field="report.day">
        <label htmlFor="report-day">{t('report.day')}</label>
        <input
          id="report-day"
          type="date"
          className="crew-date"
          value={on}
          onChange={(e) => {
            setOn(e.target.value);
          }}
        />
        {of.problem('day') && <p className="field-problem">{of.problem('day')}</p>}
      </div>
      {form.choice(
        'crew',
        crews.map((c) => ({ value: c.id, label: c.crew.name ?? '' })),
      )}
      <div className="field">
        <label>{t('work.who')}</label>
        <Select
          mode="multiple"
          aria-label={t('work.who')}
          style={{ width: '100%' }}
          optionFilterProp="label"
          options={(people.data ?? [])
            .filter((p) => !p.left || workers.includes(p.id))
            .map((p) => ({ value: p.id, label: p.name }))}
          value={workers}
          onChange={setWorkers}
        />
      </div>
      {form.input('people', [], { label: t('work.people') })}
      {form.input('hours', ['h'], { label: t('work.hours') })}
      {form.input('rows', [], { label: t('work.rows'), numeric: false, hint: t('report.rows-hint') })}
      {form.input('trees', [], { label: t('work.trees-beside') })}
      {form.choice(
        'brush',
        (['inRow', 'carriedOut', 'lies'] as const).map((b) => ({ value: b, label: t(`work.brush-${b}`) })),
      )}
      {form.input('hazard', [], { label: t('work.hazard'), numeric: false })}
      {form.input('note', [], { label: t('work.note'), numeric: false })}
      <p className="crews-acts">
        <Button type="primary" htmlType="submit" disabled={of.busy}>
          {t('report.save')}
        </Button>
        <Button onClick={onDone}>{t('discard')}</Button>
      </p>
    </form>
  );
}
