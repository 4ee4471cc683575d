import { Button, Modal, Radio } from 'antd';
import { useState } from 'react';
import { useReading } from '../words/useReading';
import type { Choices } from './merge';
import { useChangeWords } from './useChangeWords';
import { usePlantingWork, type PlantingWork } from './usePlanting';

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
  const [choices, choose] = useState<Choices>(() =>
    Object.fromEntries(conflict.clashes.map(({ path }) => [path, 'mine'] as const)),
  );
  return (
    <Modal open title={t('conflict.title')} closable={false} footer={null} width={680}>
      <p>{t('conflict.text')}</p>
      <table className="figures conflict">
        <thead>
          <tr>
            <th>{t('conflict.field')}</th>
            <th>{t('conflict.mine')}</th>
            <th>{t('conflict.theirs')}</th>
          </tr>
        </thead>
        <tbody>
          {conflict.clashes.map(({ path, ...told }) => (
            <tr key={path} data-path={path}>
              <th scope="row">{fieldName(path)}</th>
              {(['mine', 'theirs'] as const).map((whose) => (
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
