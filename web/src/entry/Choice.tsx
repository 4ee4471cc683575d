import type { ReactNode } from 'react';
import './field.css';

export interface Option {
  value: string;
  label: string;
}

/** A choice list below its label; the label seen may say more than the one read out. */
export function ChoiceField({ shown, ...choice }: ChoiceProps & { shown?: ReactNode }) {
  return (
    <div className="field">
      <span className="field-label" aria-hidden>
        {shown ?? choice.label}
      </span>
      <Choice {...choice} />
    </div>
  );
}

interface ChoiceProps {
  value: string;
  onChange: (value: string) => void;
  options: Option[];
  label: string;
  empty?: string;
  invalid?: boolean;
}

/** A native choice list: quick on a keyboard, right on a phone. */
export function Choice({ value, onChange, options, label, empty, invalid = false }: ChoiceProps) {
  return (
    <select
      className="choice"
      aria-label={label}
      aria-invalid={invalid ? true : undefined}
      value={value}
      onChange={(e) => {
        onChange(e.target.value);
      }}
    >
      {empty !== undefined && <option value="">{empty}</option>}
      {options.map((o) => (
        <option key={o.value} value={o.value}>
          {o.label}
        </option>
      ))}
    </select>
  );
}
