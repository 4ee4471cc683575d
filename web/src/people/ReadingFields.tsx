import { Choice } from '../entry/Choice';
import { decimalOf, languageOf, localeWith } from '../units/format';
import { useReading } from '../words/useReading';

/** How a person reads: units, language, decimal sign. */
export function ReadingFields() {
  const { t, language, words, setLanguage, system, chooseSystem } = useReading();
  const decimal = decimalOf(language);
  return (
    <>
      <div className="field">
        <span className="field-label">{t('units')}</span>
        <Choice
          label={t('units')}
          value={system}
          onChange={(v) => {
            chooseSystem(v === 'us' ? 'us' : 'metric');
          }}
          options={[
            { value: 'metric', label: t('units.metric') },
            { value: 'us', label: t('units.us') },
          ]}
        />
      </div>
      <div className="field">
        <span className="field-label">{t('language')}</span>
        <Choice
          label={t('language')}
          value={words}
          onChange={(v) => {
            setLanguage(languageOf(v));
          }}
          options={[
            { value: 'en', label: 'English' },
            { value: 'es', label: 'Español' },
          ]}
        />
      </div>
      <div className="field">
        <span className="field-label">{t('numbers')}</span>
        <Choice
          label={t('numbers')}
          value={decimal}
          onChange={(v) => {
            setLanguage(localeWith(words, v === ',' ? ',' : '.'));
          }}
          options={[
            { value: '.', label: '1,234.5' },
            { value: ',', label: '1.234,5' },
          ]}
        />
      </div>
    </>
  );
}
