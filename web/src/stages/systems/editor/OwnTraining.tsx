import { Button, Input } from 'antd';
import type { PackPreview, TrainingSystem } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { PassFields, Whole } from './PassFields';

type Training = NonNullable<TrainingSystem['training']>;
type Task = Training['tasks'][number];

const READY = ['finalHeight', 'spaceFilled', 'fullCrop'] as const;

const SHARES = ['height', 'trunk', 'limbs', 'crop'] as const;

/** A programme to begin with: one leaf, nothing to do. */
const EMPTY: Training = {
  firstCropLeaf: 2,
  ready: ['finalHeight', 'fullCrop'],
  growth: [
    { height: 0.6, trunk: 0.5, limbs: 0.4, crop: 0 },
    { height: 1, trunk: 1, limbs: 1, crop: 1 },
  ],
  pruningSeconds: [0, 60],
  thinningSeconds: 30,
  grownYieldTHa: 40,
  tasks: [],
  source: 'own',
};

/** How young plantings of a system are trained: growth and first crops leaf by leaf, and the tasks. */
export function OwnTraining({
  training,
  preview,
  onChange,
}: {
  training: Training | null;
  preview: PackPreview | undefined;
  onChange: (training: Training | null) => void;
}) {
  const { t } = useReading();
  if (training === null)
    return (
      <p>
        <Button
          size="small"
          data-test="add-training"
          onClick={() => {
            onChange(EMPTY);
          }}
        >
          {t('systems.add-training')}
        </Button>
      </p>
    );
  const set = (part: Partial<Training>) => {
    onChange({ ...training, ...part });
  };
  const setTask = (at: number, part: Partial<Task>) => {
    set({ tasks: training.tasks.map((x, i) => (i === at ? { ...x, ...part } : x)) });
  };
  const addTask = () => {
    let id = 'own-task';
    for (let i = 2; training.tasks.some((x) => x.id === id); i++) id = `own-task-${i}`;
    set({
      tasks: [
        ...training.tasks,
        {
          id,
          fromLeaf: 1,
          toLeaf: training.growth.length,
          name: { en: t('systems.new-task'), es: t('systems.new-task') },
          what: { en: '', es: '' },
          from: [{ anchor: 'bloom', days: 14 }],
          to: [{ anchor: 'bloom', days: 42 }],
          hands: ['helper'],
          source: 'own',
          perTree: null,
          of: null,
          secondsEach: 30,
          on: null,
          everyDays: null,
          times: null,
          when: null,
          about: 'none',
          caution: null,
        },
      ],
    });
  };
  const addLeaf = () => {
    const grown = training.growth.at(-1)!;
    set({ growth: [...training.growth.slice(0, -1), { ...(training.growth.at(-2) ?? grown), limbs: 0.9 }, grown] });
  };
  return (
    <details className="small" data-test="own-training">
      <summary>{t('systems.training')}</summary>
      <table className="figures compact">
        <thead>
          <tr>
            <th scope="col">{t('systems.leaf')}</th>
            {SHARES.map((s) => (
              <th key={s} scope="col">
                {t(`systems.share-${s}`)}
              </th>
            ))}
            <th scope="col">{t('systems.leaf-seconds')}</th>
          </tr>
        </thead>
        <tbody>
          {training.growth.map((leaf, i) => (
            <tr key={i}>
              <th scope="row">{i + 1}</th>
              {SHARES.map((s) => (
                <td key={s}>
                  <Whole
                    label={`${t(`systems.share-${s}`)} ${i + 1}`}
                    value={Math.round(leaf[s] * 100)}
                    onChange={(percent) => {
                      set({ growth: training.growth.map((g, j) => (j === i ? { ...g, [s]: percent / 100 } : g)) });
                    }}
                  />
                </td>
              ))}
              <td>
                <Whole
                  label={`${t('systems.leaf-seconds')} ${i + 1}`}
                  value={training.pruningSeconds[i] ?? training.pruningSeconds.at(-1)!}
                  onChange={(seconds) => {
                    set({
                      pruningSeconds: training.growth.map((_, j) =>
                        j === i ? seconds : (training.pruningSeconds[j] ?? training.pruningSeconds.at(-1)!),
                      ),
                    });
                  }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="system-setting">
        {t('systems.first-crop')}{' '}
        <Whole
          label={t('systems.first-crop')}
          value={training.firstCropLeaf}
          onChange={(firstCropLeaf) => {
            set({ firstCropLeaf });
          }}
        />
        <Button size="small" onClick={addLeaf} disabled={training.growth.length >= 15}>
          {t('systems.add-leaf')}
        </Button>
        <Button
          size="small"
          onClick={() => {
            set({ growth: [...training.growth.slice(0, -2), training.growth.at(-1)!] });
          }}
          disabled={training.growth.length <= 1}
        >
          {t('systems.take-leaf')}
        </Button>
      </p>
      <p className="system-setting">
        {t('systems.ready')}
        {READY.map((mark) => (
          <label key={mark}>
            <input
              type="checkbox"
              checked={training.ready.includes(mark)}
              onChange={(e) => {
                set({ ready: READY.filter((m) => (m === mark ? e.target.checked : training.ready.includes(m))) });
              }}
              data-test={`ready-${mark}`}
            />{' '}
            {t(`training.ready.${mark}`)}
          </label>
        ))}
      </p>
      <ol className="system-steps">
        {training.tasks.map((task, i) => (
          <PassFields
            key={task.id}
            pass={task}
            preview={preview}
            set={(part) => {
              setTask(i, part);
            }}
            takeOut={() => {
              set({ tasks: training.tasks.filter((_, j) => j !== i) });
            }}
          >
            {(['fromLeaf', 'toLeaf'] as const).map((end) => (
              <span key={end} className="system-setting">
                {t(`systems.task-${end}`)}
                <Whole
                  label={t(`systems.task-${end}`)}
                  value={task[end]}
                  onChange={(leaf) => {
                    setTask(i, { [end]: leaf });
                  }}
                />
              </span>
            ))}
            <label className="system-setting">
              {t('systems.task-when')}
              <Input
                className="task-when"
                defaultValue={(task.when ?? []).join(', ')}
                placeholder="dwarfing, !thinned"
                onBlur={(e) => {
                  const when = e.target.value.split(/[,\s]+/).filter(Boolean);
                  setTask(i, { when: when.length === 0 ? null : when });
                }}
                data-test={`${task.id}-when`}
              />
            </label>
            <Whole
              label={t('systems.task-seconds')}
              value={task.secondsEach ?? 0}
              onChange={(secondsEach) => {
                setTask(i, { secondsEach });
              }}
            />
            {t(task.perTree == null ? 'systems.pass-seconds' : 'systems.task-seconds')}
            {task.perTree != null && (
              <>
                <Whole
                  label={t('systems.task-per-tree')}
                  value={task.perTree}
                  onChange={(perTree) => {
                    setTask(i, { perTree });
                  }}
                />
                {t('systems.task-per-tree')}
              </>
            )}
          </PassFields>
        ))}
      </ol>
      <Button size="small" onClick={addTask} data-test="add-task">
        {t('systems.add-task')}
      </Button>
    </details>
  );
}
