import { Choice } from '../entry/Choice';
import { useReading } from '../words/useReading';
import { chooseShade, useShadeChoice, type ShadeChoice } from './shade';

/** By day, at night, or as the device is set; kept on the device. */
export function ShadeField() {
  const { t } = useReading();
  const chosen = useShadeChoice();
  return (
    <div className="field">
      <span className="field-label">{t('shade')}</span>
      <Choice
        label={t('shade')}
        value={chosen}
        onChange={(next) => {
          chooseShade(next as ShadeChoice);
        }}
        options={(['device', 'day', 'night'] as const).map((value) => ({ value, label: t(`shade.${value}`) }))}
      />
    </div>
  );
}
