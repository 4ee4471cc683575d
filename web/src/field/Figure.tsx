/** A number typed in the row; what is counted stands out. */
export function Figure({
  label,
  value,
  onChange,
  test,
  wide = false,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  test: string;
  wide?: boolean;
}) {
  return (
    <label className={wide ? 'work-number work-number-wide' : 'work-number'}>
      {label}
      <input
        inputMode="decimal"
        value={value}
        data-test={test}
        onChange={(e) => {
          onChange(e.target.value);
        }}
      />
    </label>
  );
}
