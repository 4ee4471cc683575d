import { Button } from 'antd';
import type { PackPreview, TrainingSystem } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { PassFields, Whole } from './PassFields';

type OwnPass = NonNullable<TrainingSystem['passes']>[number];

/** The passes of a system beside those all share. */
export function OwnPasses({
  passes,
  preview,
  onChange,
}: {
  passes: OwnPass[];
  preview: PackPreview | undefined;
  onChange: (passes: OwnPass[]) => void;
}) {
  const { t } = useReading();
  const add = () => {
    let id = 'own-pass';
    for (let i = 2; passes.some((p) => p.id === id); i++) id = `own-pass-${i}`;
    onChange([
      ...passes,
      {
        id,
        name: { en: t('systems.new-pass'), es: t('systems.new-pass') },
        what: { en: '', es: '' },
        from: [{ anchor: 'bloom', days: 0 }],
        to: [{ anchor: 'bloom', days: 14 }],
        hands: ['pruner'],
        source: 'own',
        on: null,
        secondsPerTree: 30,
        everyDays: null,
        times: null,
        caution: null,
        of: 'bearing',
      },
    ]);
  };
  return (
    <details className="small" data-test="own-passes" open={passes.length > 0}>
      <summary>{t('systems.passes')}</summary>
      <ol className="system-steps">
        {passes.map((pass, i) => (
          <OwnPassEditor
            key={pass.id}
            pass={pass}
            preview={preview}
            set={(part) => {
              onChange(passes.map((p, j) => (j === i ? { ...p, ...part } : p)));
            }}
            takeOut={() => {
              onChange(passes.filter((_, j) => j !== i));
            }}
          />
        ))}
      </ol>
      <Button size="small" onClick={add} data-test="add-own-pass">
        {t('systems.add-pass')}
      </Button>
    </details>
  );
}

function OwnPassEditor({
  pass,
  preview,
  set,
  takeOut,
}: {
  pass: OwnPass;
  preview: PackPreview | undefined;
  set: (part: Partial<OwnPass>) => void;
  takeOut: () => void;
}) {
  const { t } = useReading();
  return (
    <PassFields pass={pass} preview={preview} set={set} takeOut={takeOut}>
      <Whole
        label={t('systems.pass-seconds')}
        value={pass.secondsPerTree ?? 0}
        onChange={(secondsPerTree) => {
          set({ secondsPerTree });
        }}
      />
      {t('systems.pass-seconds')}
    </PassFields>
  );
}
