import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import { NumberLine } from './NumberLine';
import { NumbersLine } from './NumbersLine';
import { faultAt, type PackFaults } from './packFaults';

type Typical = TrainingSystem['form']['typical'];
type NumbersOf = { [K in keyof Typical]: Typical[K] extends number ? K : never }[keyof Typical];

/** What makes the shape of a typical tree, and the unit of each. */
const SHAPE: readonly (readonly [NumbersOf, string])[] = [
  ['trunkMm', 'mm'],
  ['heightM', 'm'],
  ['trunkM', 'm'],
  ['planes', ''],
  ['leanDeg', 'deg'],
  ['firstLimbM', 'm'],
  ['buds', ''],
  ['limbMm', 'mm'],
  ['metresPerMm', 'm/mm'],
  ['riseLowDeg', 'deg'],
  ['riseTopDeg', 'deg'],
  ['droopDeg', 'deg'],
  ['spreadDeg', 'deg'],
  ['shootM', 'm'],
  ['ageYears', ''],
  ['budsPerSite', ''],
  ['limbCv', ''],
  ['forkShare', ''],
  ['uprightShare', ''],
  ['pendantShare', ''],
  ['unsoundShare', ''],
  ['tiers', ''],
  ['innerVigour', ''],
  ['innerBuds', ''],
];

/** What its trees look like: leaders, limbs, ground and the shape a typical one is drawn with. */
export function FormLines({
  system,
  faults,
  crops,
  set,
}: {
  system: TrainingSystem;
  faults: PackFaults;
  crops: readonly { id: string; name: { en: string; es: string } }[];
  set: (part: Partial<TrainingSystem>) => void;
}) {
  const { t, local } = useReading();
  const { form } = system;
  const setForm = (part: Partial<TrainingSystem['form']>) => {
    set({ form: { ...form, ...part } });
  };
  const setShape = (part: Partial<Typical>) => {
    setForm({ typical: { ...form.typical, ...part } });
  };
  return (
    <details className="small">
      <summary>{t('systems.form')}</summary>
      <span className="dim">{t('systems.crops')}</span>{' '}
      {crops.map((crop) => (
        <label key={crop.id} className="answer-step">
          <input
            type="checkbox"
            checked={system.crops.includes(crop.id)}
            onChange={(e) => {
              const others = system.crops.filter((c) => c !== crop.id);
              set({ crops: e.target.checked ? [...others, crop.id] : others });
            }}
          />{' '}
          {local(crop.name)}
        </label>
      ))}
      {faultAt(faults, 'crops') && <p className="field-problem">{faultAt(faults, 'crops')}</p>}
      <div className="step-choices">
        {(
          [
            ['layout', ['axis', 'fan', 'vase'], form.typical.layout],
            ['bearing', ['spurs', 'shootBases', 'shoots'], form.typical.bearing],
          ] as const
        ).map(([part, values, value]) => (
          <Choice
            key={part}
            label={t(`systems.${part}`)}
            value={value}
            options={values.map((v) => ({ value: v, label: t(`systems.${part}-${v}`) }))}
            onChange={(next) => {
              setShape({ [part]: next });
            }}
          />
        ))}
        <Choice
          label={t('systems.canopy')}
          value={form.canopy}
          options={(['spindle', 'wall', 'openV', 'broad'] as const).map((c) => ({
            value: c,
            label: t(`systems.canopy-${c}`),
          }))}
          onChange={(canopy) => {
            setForm({ canopy: canopy as typeof form.canopy });
          }}
        />
        <Choice
          label={t('systems.aim')}
          value={system.aim}
          options={(['number', 'light'] as const).map((a) => ({ value: a, label: t(`systems.${a}`) }))}
          onChange={(aim) => {
            set({ aim: aim as TrainingSystem['aim'] });
          }}
        />
      </div>
      <div className="system-settings">
        {(['leaders', 'limbsPerTree'] as const).map((part) => (
          <NumberLine
            key={part}
            label={t(`systems.${part}`)}
            value={form[part]}
            unit=""
            problem={faultAt(faults, `form.${part}`)}
            test={`form-${part}`}
            onChange={(value) => {
              setForm({ [part]: value as number });
            }}
          />
        ))}
        {(['rowM', 'treeM'] as const).map((part) => (
          <NumberLine
            key={part}
            label={t(`systems.${part}`)}
            value={form.ground?.[part] ?? null}
            unit="m"
            problem={faultAt(faults, `form.ground.${part}`)}
            test={`form-${part}`}
            onChange={(value) => {
              setForm({ ground: { rowM: 3.5, treeM: 1, ...form.ground, [part]: value as number } });
            }}
          />
        ))}
        {SHAPE.map(([part, unit]) => (
          <NumberLine
            key={part}
            label={t(`systems.shape-${part}`)}
            value={form.typical[part]}
            unit={unit}
            problem={faultAt(faults, `form.typical.${part}`)}
            test={`shape-${part}`}
            onChange={(value) => {
              setShape({ [part]: value as number });
            }}
          />
        ))}
      </div>
      <NumbersLine
        label={t('systems.wires')}
        numbers={form.wiresM ?? []}
        problem={faultAt(faults, 'form.wiresM')}
        test="form-wires"
        onChange={(wiresM) => {
          setForm({ wiresM });
        }}
      />{' '}
      m{' '}
      <Choice
        label={t('systems.seen-from')}
        value={form.seenFrom ?? 'along'}
        options={(['along', 'across'] as const).map((v) => ({ value: v, label: t(`bench.${v}`) }))}
        onChange={(seenFrom) => {
          setForm({ seenFrom: seenFrom as TrainingSystem['form']['seenFrom'] });
        }}
      />
      {faults.get('form.typical') && <p className="field-problem">{faults.get('form.typical')}</p>}
    </details>
  );
}
