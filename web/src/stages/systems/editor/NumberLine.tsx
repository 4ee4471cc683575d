import { useState } from 'react';
import { useReading } from '../../../words/useReading';

/** A number of a system with its unit. An empty one is no 0: it is passed on as nothing, and told as a fault. */
export function NumberLine({
  label,
  value,
  unit,
  problem,
  test,
  onChange,
}: {
  label: string;
  value: number | null;
  unit: string;
  problem?: string | undefined;
  test?: string;
  onChange: (value: number | null) => void;
}) {
  const { number } = useReading();
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string) => {
    const plain = text.trim().replace(',', '.');
    return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null;
  };
  // What is typed stays as it is typed until it is another number than the one at hand.
  const text =
    typed !== null && read(typed) === value ? typed : value === null ? (typed ?? '') : plainOf(value, number);
  return (
    <label className="small">
      {label}
      <span className="system-setting">
        <input
          className="ant-input"
          inputMode="decimal"
          value={text}
          aria-label={label}
          aria-invalid={problem ? true : undefined}
          data-test={test}
          onChange={(e) => {
            setTyped(e.target.value);
            onChange(read(e.target.value));
          }}
        />{' '}
        {unit}
      </span>
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  );
}

// As the reader writes numbers, without groups: it is typed again.
const plainOf = (value: number, number: (value: number, most?: number) => string) =>
  String(value).replace('.', number(1.5, 1).charAt(1));
