import { useReading } from '../words/useReading';

/** How much a bin, box or bushel of the file holds: it differs from house to house, so it is asked. */
export function PackageMass({
  unit,
  onMass,
}: {
  unit: string;
  onMass: (mass: { value: number; unit: string }) => void;
}) {
  const { t, unitName } = useReading();
  return (
    <>
      <p>{t(`import.package.${unit.split('/')[0]!}`)}</p>
      <form
        className="import-answers"
        onSubmit={(e) => {
          e.preventDefault();
          const typed = new FormData(e.currentTarget);
          const value = Number(String(typed.get('mass')).replace(',', '.'));
          if (value > 0) onMass({ value, unit: String(typed.get('unit')) });
        }}
      >
        <input
          className="import-typed"
          name="mass"
          inputMode="decimal"
          aria-label={t('import.package.mass')}
          data-test="package-mass"
        />
        <select className="choice" name="unit" aria-label={t('unit')}>
          {['kg', 'lb'].map((mass) => (
            <option key={mass} value={mass}>
              {unitName(mass)}
            </option>
          ))}
        </select>
        <button type="submit" className="import-answer likely">
          {t('import.so-it-is')}
        </button>
      </form>
    </>
  );
}
