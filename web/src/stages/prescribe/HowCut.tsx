import { Segmented } from 'antd';
import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Part } from '../../planting/Part';
import type { CuttingDraft } from './draft';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { Field } from '../../entry/Field';

const WAYS = ['amounts', 'gauge', 'count'] as const;

/**
 * How the system is cut here: the questions orchardists answer differently, numbers held by hand, and demonstration
 * trees.
 */
export function HowCut() {
  const { t, local, number } = useReading();
  const { plan, draft, change, problem } = usePlantingWork();
  const system = plan.planting!.system;
  const way = plan.prescription?.way;
  const cutting = draft('cutting');
  const set = (part: Partial<CuttingDraft>) => {
    change('cutting', { ...cutting, ...part });
  };
  const found = plan.prescription?.classes[Math.floor((plan.prescription.classes.length - 1) / 2)]?.settings ?? {};
  const columns: SheetColumn[] = [
    { key: 'row', label: t('count.row') },
    { key: 'tree', label: t('count.tree') },
    { key: 'before', label: t('cutting.before') },
    ...(plan.prescription?.cuts ?? [])
      .filter((c) => c.amount.kind !== 'everyOne')
      .map((c) => ({ key: `fell.${c.stepId}`, label: c.isMade ? `${c.number}` : local(c.name) })),
    { key: 'left', label: t('cutting.left') },
  ];
  return (
    <section className="how-cut" data-test="how-cut">
      <Part section="cutting">
        {(system.questions.length > 0 || way) && <h2>{t('cutting.questions')}</h2>}
        {system.questions.map((q) => {
          const chosen = cutting.answers[q.id] ?? plan.prescription?.answers[q.id] ?? q.options[0]!.id;
          const wrong = problem('cutting', `answers.${q.id}`);
          return (
            <div key={q.id} className="question" data-field={`cutting.answers.${q.id}`}>
              <span className="question-name">{local(q.name)}</span>
              <Segmented
                value={chosen}
                onChange={(answer) => {
                  set({ answers: { ...cutting.answers, [q.id]: answer } });
                }}
                options={q.options.map((o) => ({ value: o.id, label: local(o.name) }))}
              />
              <span className="small dim">{local(q.options.find((o) => o.id === chosen)?.why)}</span>
              {wrong && <p className="field-problem">{wrong}</p>}
            </div>
          );
        })}
        {way && (
          <div className="question" data-field="cutting.way" data-test="way">
            <span className="question-name">{t('ways.heading')}</span>
            <Segmented
              value={cutting.way ?? way}
              onChange={(chosen) => {
                set({ way: chosen });
              }}
              options={WAYS.map((w) => ({ value: w, label: t(`ways.${w}`) }))}
            />
            <span className="small dim">{t(`ways.${cutting.way ?? way}-why`)}</span>
          </div>
        )}
        <details className="cutting-more">
          <summary>{t('cutting.settings')}</summary>
          <p className="small dim">{t('cutting.settings-text')}</p>
          <div className="fields">
            {system.settings.map((s) => (
              <Field
                key={s.id}
                label={local(s.name)}
                path={`cutting.settings.${s.id}`}
                text={cutting.settings[s.id] ?? ''}
                units={s.unit === '' ? [] : [s.unit]}
                unit={s.unit}
                unitLabel={(u) => u}
                numeric
                placeholder={number(found[s.id] ?? s.value, 1)}
                problem={problem('cutting', `settings.${s.id}`)}
                onText={(text) => {
                  set({ settings: { ...cutting.settings, [s.id]: text } });
                }}
              />
            ))}
          </div>
        </details>
        <details className="cutting-more" open={cutting.lines.length > 0}>
          <summary>{t('cutting.demonstration')}</summary>
          <p className="small dim">{t('cutting.demonstration-text')}</p>
          <Sheet
            path="cutting.demonstration"
            columns={columns}
            lines={cutting.lines}
            onLines={(lines) => {
              set({ lines });
            }}
            problem={(line, field) => problem('cutting', `demonstration[${line}].${field}`)}
            full
          />
        </details>
      </Part>
    </section>
  );
}
