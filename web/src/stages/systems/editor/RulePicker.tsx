import { Button } from 'antd';
import { useState } from 'react';
import type { TrainingSystem } from '../../../api/client';
import { Choice } from '../../../entry/Choice';
import { useReading } from '../../../words/useReading';
import type { Choices, RuleWord } from './ruleText';

const SIGNS = ['>', '<', '>=', '<=', '='] as const;

/** A condition chosen from what there is: a word, how it compares, and with what. */
export function ConditionPicker({
  words,
  units: unitsOf,
  settings,
  terms,
  onAdd,
  test,
}: {
  words: readonly RuleWord[];
  /** Units of each kind of quantity. */
  units: Choices['units'];
  settings: TrainingSystem['settings'];
  terms: readonly string[];
  onAdd: (condition: string) => void;
  test: string;
}) {
  const { t, local } = useReading();
  const [name, setName] = useState('');
  const [sign, setSign] = useState<string>('>');
  const [against, setAgainst] = useState('');
  const [value, setValue] = useState('');
  const [unit, setUnit] = useState('');
  const word = words.find((w) => w.name === name);
  const isTerm = terms.includes(name);
  const yesNo = isTerm || word?.dimension === 'yesNo';
  const units = (word && unitsOf[word.dimension]) ?? [];
  const alike = settings.filter((s) => units.includes(s.unit));
  const chosenUnit = units.includes(unit) ? unit : (units[0] ?? '');
  const number = value.trim().replace(',', '.');
  const usable = name !== '' && (yesNo || against !== '' || /^\d+(\.\d+)?$/.test(number));
  return (
    <div className="rule-picker" data-test={test}>
      <Choice
        label={t('systems.pick-word')}
        empty={t('systems.pick-word')}
        value={name}
        options={[
          ...words.map((w) => ({ value: w.name, label: `${w.name}: ${t(w.means, { defaultValue: w.means })}` })),
          ...terms.map((term) => ({ value: term, label: `${term}: ${t('systems.own-term')}` })),
        ]}
        onChange={setName}
      />
      {name !== '' && !yesNo && (
        <>
          <Choice
            label={t('systems.pick-sign')}
            value={sign}
            options={SIGNS.map((s) => ({ value: s, label: t(`systems.sign-${s}`) }))}
            onChange={setSign}
          />
          {alike.length > 0 && (
            <Choice
              label={t('systems.pick-against')}
              empty={t('systems.pick-number')}
              value={against}
              options={alike.map((s) => ({ value: s.id, label: local(s.name) }))}
              onChange={setAgainst}
            />
          )}
          {against === '' && (
            <input
              className="ant-input rule-value"
              inputMode="decimal"
              aria-label={t('systems.pick-value')}
              value={value}
              onChange={(e) => {
                setValue(e.target.value);
              }}
            />
          )}
          {against === '' && units.length > 1 && (
            <Choice
              label={t('unit')}
              value={chosenUnit}
              options={units.map((u) => ({ value: u, label: u === '' ? t('systems.plain') : u }))}
              onChange={setUnit}
            />
          )}
          {against === '' && units.length === 1 && <span className="small">{units[0]}</span>}
        </>
      )}
      <Button
        size="small"
        disabled={!usable}
        onClick={() => {
          onAdd(yesNo ? name : `${name} ${sign} ${against || `${number} ${chosenUnit}`.trim()}`);
          setName('');
          setValue('');
          setAgainst('');
        }}
      >
        {t('systems.add-condition')}
      </Button>
    </div>
  );
}

/** A key of an order chosen from what there is, with its direction. */
export function OrderPicker({
  words,
  onAdd,
  test,
}: {
  words: readonly RuleWord[];
  onAdd: (key: string) => void;
  test: string;
}) {
  const { t } = useReading();
  const [name, setName] = useState('');
  const yesNo = words.find((w) => w.name === name)?.dimension === 'yesNo';
  return (
    <div className="rule-picker" data-test={test}>
      <Choice
        label={t('systems.pick-word')}
        empty={t('systems.pick-order')}
        value={name}
        options={words.map((w) => ({ value: w.name, label: `${w.name}: ${t(w.means, { defaultValue: w.means })}` }))}
        onChange={setName}
      />
      {name !== '' &&
        (yesNo ? ['first'] : ['down', 'up']).map((way) => (
          <Button
            key={way}
            size="small"
            onClick={() => {
              onAdd(`${name} ${way}`);
              setName('');
            }}
          >
            {t(`systems.way-${way}`)}
          </Button>
        ))}
    </div>
  );
}
