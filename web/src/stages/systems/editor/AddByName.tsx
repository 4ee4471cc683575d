import { Button, Input } from 'antd';
import { useState } from 'react';
import { useReading } from '../../../words/useReading';

/** A line to add something by its name. */
export function AddByName({ label, test, onAdd }: { label: string; test: string; onAdd: (name: string) => void }) {
  const { t } = useReading();
  const [name, setName] = useState('');
  const add = () => {
    if (name.trim() === '') return;
    onAdd(name.trim());
    setName('');
  };
  return (
    <div className="add-by-name">
      <Input
        value={name}
        maxLength={60}
        placeholder={label}
        aria-label={label}
        data-test={test}
        onChange={(e) => {
          setName(e.target.value);
        }}
        onPressEnter={add}
      />
      <Button size="small" disabled={name.trim() === ''} onClick={add} data-test={`${test}-add`}>
        {t('systems.add')}
      </Button>
    </div>
  );
}
