import { Modal } from 'antd';
import { useReading } from '../words/useReading';
import type { ToldKeys } from './told';

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

interface KeysSheetProps {
  told: readonly ToldKeys[];
  isOpen: boolean;
  onClose: () => void;
}

/** The sheet that tells the keys of what is on the screen. */
export function KeysSheet({ told, isOpen, onClose }: KeysSheetProps) {
  const { t } = useReading();
  return (
    <Modal open={isOpen} onCancel={onClose} footer={null} title={t('keys.title')}>
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
