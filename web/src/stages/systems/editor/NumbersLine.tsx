import { Input } from 'antd';
import { useState } from 'react';

/** Several numbers, parted by spaces. */
export function NumbersLine({
  label,
  numbers,
  problem,
  test,
  onChange,
}: {
  label: string;
  numbers: readonly number[];
  problem: string | undefined;
  test: string;
  onChange: (numbers: number[]) => void;
}) {
  const [text, setText] = useState(numbers.join(' '));
  return (
    <label className="small">
      {label}
      <Input
        value={text}
        maxLength={200}
        status={problem ? 'error' : ''}
        data-test={test}
        onChange={(e) => {
          setText(e.target.value);
          const parts = e.target.value.replace(/,/g, '.').split(/\s+/).filter(Boolean);
          // What is no number goes on as nothing, and is told as a fault.
          onChange(parts.map((p) => (/^-?\d+(\.\d+)?$/.test(p) ? Number(p) : null)) as number[]);
        }}
      />
      {problem && (
        <span className="field-problem" role="alert">
          {problem}
        </span>
      )}
    </label>
  );
}
