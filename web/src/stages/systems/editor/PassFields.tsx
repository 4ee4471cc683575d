import { Button, Input } from 'antd';
import type { ReactNode } from 'react';
import type { Anchor, Hands, PackPreview, TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useDays } from '../../../words/useDays';
import { useReading } from '../../../words/useReading';
import { anchorsOfTheYear, siteAnchors } from '../../passes/anchors';

type Pass = Pick<
  NonNullable<TrainingSystem['passes']>[number],
  'id' | 'name' | 'what' | 'from' | 'to' | 'hands' | 'caution'
>;

const LANGUAGES = ['en', 'es'] as const;

/** Days of the year a window can hang on. */
const ANCHORS: Anchor[] = [...anchorsOfTheYear, ...siteAnchors, 'flushRipe'];
const HANDS: Hands[] = ['lead', 'pruner', 'helper', 'height', 'chainSaw', 'applicator'];

/** What any pass of a system has: its words, its window and whom it needs; numbers of its own stand beside that. */
export function PassFields({
  pass,
  preview,
  set,
  takeOut,
  children,
}: {
  pass: Pass;
  preview: PackPreview | undefined;
  set: (part: Partial<Pass>) => void;
  takeOut: () => void;
  children: ReactNode;
}) {
  const { t, local } = useReading();
  const day = useDays();
  const window = preview?.windows[pass.id];
  return (
    <li data-test={`own-${pass.id}`}>
      <div className="step-head">
        <span>
          <strong>{local(pass.name)}</strong>{' '}
          <span className="dim">
            {window?.from &&
              window.to &&
              preview &&
              t('systems.pass-window', { from: day(window.from), to: day(window.to), tip: day(preview.greenTip) })}
          </span>
        </span>
        <Button size="small" onClick={takeOut}>
          {t('systems.take-out')}
        </Button>
      </div>
      {(['name', 'what'] as const).flatMap((part) =>
        LANGUAGES.map((language) => (
          <label key={`${part}-${language}`} className="rule-line">
            <span className="dim">
              {t(`systems.pass-${part}`)} ({language})
            </span>
            <Input
              value={pass[part][language]}
              maxLength={part === 'name' ? 60 : 400}
              lang={language}
              data-test={`${pass.id}-${part}-${language}`}
              onChange={(e) => {
                set({ [part]: { ...pass[part], [language]: e.target.value } });
              }}
            />
          </label>
        )),
      )}
      {LANGUAGES.map((language) => (
        <label key={`caution-${language}`} className="rule-line">
          <span className="dim">
            {t('systems.pass-caution')} ({language})
          </span>
          <Input
            value={pass.caution?.[language] ?? ''}
            maxLength={400}
            lang={language}
            data-test={`${pass.id}-caution-${language}`}
            onChange={(e) => {
              const caution = { ...(pass.caution ?? { en: '', es: '' }), [language]: e.target.value };
              set({ caution: caution.en === '' && caution.es === '' ? null : caution });
            }}
          />
        </label>
      ))}
      {(['from', 'to'] as const).map((end) =>
        pass[end].map((at, k) => (
          <div key={`${end}-${k}`} className="rule-line">
            <span className="dim">{t(`systems.pass-${end}`)}</span>
            <span className="system-setting">
              <Choice
                label={t(`systems.pass-${end}`)}
                value={at.anchor}
                options={ANCHORS.map((a) => ({ value: a, label: t(`anchor.${a}`) }))}
                onChange={(anchor) => {
                  set({ [end]: pass[end].map((x, j) => (j === k ? { ...x, anchor: anchor as Anchor } : x)) });
                }}
              />
              <Whole
                label={t('systems.pass-days')}
                value={at.days ?? 0}
                onChange={(days) => {
                  set({ [end]: pass[end].map((x, j) => (j === k ? { ...x, days } : x)) });
                }}
              />
              {t('systems.pass-days')}
            </span>
          </div>
        )),
      )}
      <div className="rule-line">
        <span className="dim">{t('systems.pass-hands')}</span>
        <span className="system-setting">
          <Choice
            label={t('systems.pass-hands')}
            value={pass.hands[0] ?? 'pruner'}
            options={HANDS.map((h) => ({ value: h, label: t(`hands.${h}`) }))}
            onChange={(hands) => {
              set({ hands: [hands as Hands, ...pass.hands.slice(1)] });
            }}
          />
          {children}
        </span>
      </div>
    </li>
  );
}

/** A whole number of a pack. */
export function Whole({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <input
      type="number"
      className="ant-input"
      step={1}
      value={value}
      aria-label={label}
      onChange={(e) => {
        onChange(Math.round(Number(e.target.value)));
      }}
    />
  );
}
