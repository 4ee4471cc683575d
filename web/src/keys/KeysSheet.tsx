import { Modal } from 'antd';
import { useState } from 'react';
import { useReading } from '../words/useReading';
import { useTold } from './told';
import { useKeys } from './useKeys';

const shownAs: Record<string, string> = {
  ArrowRight: '→',
  ArrowLeft: '←',
  ArrowDown: '↓',
  ArrowUp: '↑',
  Escape: 'Esc',
  Delete: 'Del',
  PageUp: 'PgUp',
  PageDown: 'PgDn',
};

/** The sheet that tells the keys of what is on the screen. */
export function KeysSheet() {
  const { t } = useReading();
  const [isOpen, setOpen] = useState(false);
  const told = useTold();
  useKeys({
    '?': () => {
      // Where there are none there is nothing to tell.
      setOpen(told.length > 0);
    },
  });
  return (
    <Modal
      open={isOpen}
      onCancel={() => {
        setOpen(false);
      }}
      footer={null}
      title={t('keys.title')}
    >
      <div data-test="keys">
        {told.map(({ title, lines }) => (
          <section key={title}>
            <h3>{t(title)}</h3>
            <dl className="chain">
              {lines.map(([keys, does]) => (
                <div key={keys}>
                  <dt>{t(does)}</dt>
                  <dd>
                    {keys.split(' ').map((key) => (
                      <kbd key={key}>{shownAs[key] ?? key}</kbd>
                    ))}
                  </dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Modal>
  );
}
