import { Segmented } from 'antd';
import type { Language } from '../../units/format';
import type { UnitSystem } from '../../units/system';

export type Paper = 'a4' | 'letter';

interface Chosen<T> {
  value: T;
  onChange: (value: T) => void;
}

/** Language of a card: the crew's, not the reader's. */
export function CardLanguage(chosen: Chosen<Language>) {
  return (
    <Segmented
      {...chosen}
      options={[
        { value: 'en', label: 'English' },
        { value: 'es', label: 'Español' },
      ]}
    />
  );
}

/** Units the crew measures in. */
export function CardUnits(chosen: Chosen<UnitSystem>) {
  return (
    <Segmented
      {...chosen}
      options={[
        { value: 'metric', label: 'm · cm' },
        { value: 'us', label: 'ft · in' },
      ]}
    />
  );
}

/** Paper in the printer. */
export function CardPaper(chosen: Chosen<Paper>) {
  return (
    <Segmented
      {...chosen}
      options={[
        { value: 'a4', label: 'A4' },
        { value: 'letter', label: 'Letter' },
      ]}
    />
  );
}
