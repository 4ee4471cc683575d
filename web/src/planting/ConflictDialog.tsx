import { Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import { useReading } from '../words/useReading';
import type { Choices } from '../entry/merge';
import { useChangeWords } from './useChangeWords';
import { usePlantingWork, type PlantingWork } from './usePlanting';

const sides = ['mine', 'theirs'] as const;

/** Two people changed the same fields: each is chosen, all else of both is kept. */
export function ConflictDialog() {
  const { conflict } = usePlantingWork();
  // Somebody may save again while one chooses: what is asked then is asked anew.
  return conflict && <Asked key={JSON.stringify(conflict.clashes)} conflict={conflict} />;
}

function Asked({ conflict }: { conflict: NonNullable<PlantingWork['conflict']> }) {
  const { t } = useReading();
  const { settle, leave, saving } = usePlantingWork();
  const { fieldName, inWords } = useChangeWords();
  const allOf = (whose: 'mine' | 'theirs'): Choices =>
    Object.fromEntries(conflict.clashes.map(({ path }) => [path, whose]));
  const [choices, choose] = useState(allOf('mine'));
  return (
    <Modal open title={t('conflict.title')} closable={false} footer={null} width={680}>
      <p>{t('conflict.text')}</p>
      <table className="figures conflict">
        <thead>
          <tr>
            <th>{t('conflict.field')}</th>
            {sides.map((whose) => (
              <th key={whose}>
                {t(`conflict.${whose}`)}{' '}
                {conflict.clashes.length > 1 && (
                  <button
                    type="button"
                    className="text-button"
                    onClick={() => {
                      choose(allOf(whose));
                    }}
                    data-test={`all-${whose}`}
                  >
                    {t(`conflict.all-${whose}`)}
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {conflict.clashes.map(({ path, ...told }) => (
            <tr key={path} data-path={path}>
              <th scope="row">{fieldName(path)}</th>
              {sides.map((whose) => (
                <td key={whose}>
                  <Radio
                    checked={choices[path] === whose}
                    onChange={() => {
                      choose((all) => ({ ...all, [path]: whose }));
                    }}
                    aria-label={`${fieldName(path)}, ${t(`conflict.${whose}`)}: ${inWords(path, told[whose])}`}
                  >
                    {inWords(path, told[whose])}
                  </Radio>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="save-bar">
        <Button type="primary" loading={saving} onClick={() => void settle(choices)} data-test="settle">
          {t('conflict.settle')}
        </Button>
        <Button onClick={leave} data-test="take-theirs">
          {t('conflict.take-theirs')}
        </Button>
      </div>
    </Modal>
  );
}
