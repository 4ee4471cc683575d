import { Choice } from '../../entry/Choice';
import { Field } from '../../entry/Field';
import type { Line } from '../../entry/paste';
import { usePlantingWork } from '../../planting/usePlanting';
import { firstUnit } from '../../units/system';
import { useReading } from '../../words/useReading';
import { counted, unitOf } from './seasonSpec';

type Counted = (typeof counted)[number];

interface Asked {
  path: string;
  /** Units to choose from, the metric one first. */
  units: string[];
  /** The number counted, where it is told how. */
  of?: Counted;
}

const count = (of: Counted, unit: string): Asked => ({ path: `counts.${of}`, units: [unit], of });

const groups: { title: string; fields: Asked[] }[] = [
  {
    title: 'wanted',
    fields: [
      { path: 'wanted.budsLeft', units: ['bud/tree'] },
      { path: 'wanted.expectedLoss', units: ['%'] },
      { path: 'wanted.setShare', units: ['%'] },
      { path: 'wanted.fruitPerTree', units: ['fruit/tree'] },
      { path: 'wanted.fruitSize', units: ['g', 'oz'] },
      { path: 'wanted.packOut', units: ['%'] },
    ],
  },
  {
    title: 'trees',
    fields: [
      count('budsBefore', 'bud/tree'),
      { path: 'budsLeft', units: ['bud/tree'], of: 'budsLeft' },
      { path: 'counts.coldLoss', units: ['%'] },
      count('bloomClusters', 'cluster/tree'),
      count('setClusters', 'cluster/tree'),
      { path: 'clustersThinned', units: ['cluster/tree'] },
      count('fruitPerTree', 'fruit/tree'),
    ],
  },
  {
    title: 'after',
    fields: [
      { path: 'counts.girth', units: ['cm', 'in'] },
      count('returnBuds', 'bud/tree'),
      { path: 'counts.woodCut', units: ['%'] },
      { path: 'counts.shootLength', units: ['cm', 'in'] },
      { path: 'counts.uprights', units: ['shoot/tree'] },
    ],
  },
];

const hows = ['sample', 'checks', 'scan', 'file', 'estimate'];

/** What is on record of one season beside the list: what was wanted, counted and measured, and how. */
export function SeasonForm({
  line,
  place,
  currency,
  onLine,
}: {
  line: Line;
  /** Place among the lines as they are sent. */
  place: number;
  /** Money of the estate; null for those who are told none. */
  currency: string | null;
  onLine: (line: Line) => void;
}) {
  const { t, system } = useReading();
  const { problem, save } = usePlantingWork();
  const set = (key: string, text: string) => {
    onLine({ ...line, [key]: text });
  };
  const field = (path: string, label: string, units: string[], numeric = true) => (
    <Field
      key={path}
      label={label}
      path={`records.season.${path}`}
      text={line[path] ?? ''}
      units={units}
      unit={line[unitOf(path)] ?? (units[0] === undefined ? undefined : firstUnit(units[0], system))}
      problem={problem('records', `seasons[${place}].${path}`)}
      numeric={numeric}
      onEnter={() => void save('records')}
      onText={(text) => {
        set(path, text);
      }}
      onUnit={(unit) => {
        set(unitOf(path), unit);
      }}
    />
  );
  return (
    <div className="season-form" data-test="season-form">
      {groups.map(({ title, fields }) => (
        <section key={title}>
          <h3>{t(`record.${title}`)}</h3>
          <div className="season-fields">
            {fields.map(({ path, units }) => field(path, t(`record.${path}`), units))}
            {title === 'after' &&
              currency !== null &&
              field('counts.pricePerKg', t('record.counts.pricePerKg'), [`${currency}/kg`])}
          </div>
        </section>
      ))}
      <details>
        <summary>{t('record.how')}</summary>
        {counted.map((of) => {
          const path = `counts.how.${of}`;
          return (
            <section key={of} className="season-how">
              <h4>{t(`record.${of === 'budsLeft' ? of : `counts.${of}`}`)}</h4>
              <div className="season-fields">
                {field(`${path}.halfWidth`, t('record.half-width'), [])}
                {field(`${path}.trees`, t('record.counted-trees'), [])}
                {field(`${path}.day`, t('record.day'), [], false)}
                <div className="field" data-field={`records.season.${path}.by`}>
                  <span className="field-label" aria-hidden>
                    {t('record.by')}
                  </span>
                  <Choice
                    label={t('record.by')}
                    value={line[`${path}.by`] ?? ''}
                    options={hows.map((by) => ({ value: by, label: t(`record.by-${by}`) }))}
                    empty="–"
                    onChange={(by) => {
                      set(`${path}.by`, by);
                    }}
                  />
                </div>
                {field(`${path}.who`, t('record.who'), [], false)}
              </div>
            </section>
          );
        })}
      </details>
      <p className="small dim">{t('record.text')}</p>
    </div>
  );
}
