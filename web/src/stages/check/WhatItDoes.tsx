import type { CheckView } from '../../api/client';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

type Effect = NonNullable<NonNullable<CheckView['says']>['effect']>;

/** What trees so far off do to the crop: so far, and if it goes on. */
export function WhatItDoes({ effect, off, currency }: { effect: Effect; off: number; currency: string | null }) {
  const { t, number, told } = useReading();
  const isShort = off < 0;
  const line = (sum: Effect['done']) =>
    [
      isShort
        ? t('check.fruit-lost', { fruit: number(sum.fruit, 0) })
        : t('check.fruit-over', { fruit: number(sum.over, 0) }),
      isShort && sum.tonnes !== null ? told(sum.tonnes, 't', 1) : '',
    ]
      .filter(Boolean)
      .join(' · ');
  return (
    <div className="sheet check-effect" data-test="check-effect">
      <h3>{t('check.effect')}</h3>
      <p>
        <Why main steps={effect.perTree.steps}>
          <span className="big">
            {isShort && effect.perTree.tonnesPerHa !== null
              ? told(effect.perTree.tonnesPerHa, 't/ha', 1)
              : number(isShort ? effect.perTree.fruitShort : effect.perTree.fruitOver, 0)}
          </span>{' '}
          {!(isShort && effect.perTree.tonnesPerHa !== null) && <span className="unit">{t('unit:fruit/tree')}</span>}
        </Why>{' '}
        {t(isShort ? 'check.lost' : 'check.to-thin')}
      </p>
      <dl className="chain">
        {(['done', 'goesOn'] as const).map((which) => (
          <div key={which}>
            <dt>{t(`check.${which}`, { trees: number(effect[which].trees, 0) })}</dt>
            <dd>
              <Why steps={effect[which].steps}>{line(effect[which])}</Why>
              {effect[which].cost !== null && <> · {told(effect[which].cost, currency ?? 'money', 0)}</>}
            </dd>
          </div>
        ))}
      </dl>
      <p className="small dim">{t('check.effect-how')}</p>
    </div>
  );
}
