import { Input } from 'antd';
import { useId, type ReactNode } from 'react';
import { useReading } from '../words/useReading';
import { Choice } from './Choice';
import './field.css';

export interface FieldProps {
  label: string;
  /** Path of the field, for tests and for finding the first one in trouble. */
  path: string;
  text: string;
  onText: (text: string) => void;
  problem?: string | undefined;
  hint?: ReactNode;
  /** What is used when the field is left empty. */
  placeholder?: string | undefined;
  /** Units to choose from; a single one is shown as it is. */
  units?: readonly string[];
  unit?: string | undefined;
  /** The name of a unit here, where its usual one would not do. */
  unitLabel?: ((unit: string) => string) | undefined;
  onUnit?: (unit: string) => void;
  numeric?: boolean | undefined;
  type?: 'text' | 'email' | 'password' | undefined;
  /** What the browser may fill in. */
  autoComplete?: string | undefined;
  onEnter?: (() => void) | undefined;
}

/** One input with its label, unit, and what is wrong with it. */
export function Field({
  label,
  path,
  text,
  onText,
  problem,
  hint,
  placeholder,
  units,
  unit,
  unitLabel,
  onUnit,
  numeric = true,
  type = 'text',
  autoComplete = 'off',
  onEnter,
}: FieldProps) {
  const reading = useReading();
  const unitName = unitLabel ?? reading.unitName;
  const id = useId();
  // What came from a file may be told in a unit nobody would choose here; 90 cm are not 90 m.
  const choices = units && unit && !units.includes(unit) ? [...units, unit] : units;
  return (
    <div className="field" data-field={path}>
      <label htmlFor={id}>{label}</label>
      <div className="field-row">
        <Input
          id={id}
          value={text}
          type={type}
          inputMode={numeric ? 'decimal' : type === 'email' ? 'email' : 'text'}
          autoComplete={autoComplete}
          placeholder={placeholder ?? ''}
          className={numeric ? 'field-number' : ''}
          status={problem ? 'error' : ''}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(e) => {
            onText(e.target.value);
          }}
          onPressEnter={() => onEnter?.()}
        />
        {choices && choices.length > 1 && (
          <Choice
            value={unit ?? ''}
            onChange={(next) => onUnit?.(next)}
            label={`${label}: ${reading.t('unit')}`}
            options={choices.map((u) => ({ value: u, label: unitName(u) }))}
          />
        )}
        {choices?.length === 1 && <span className="field-unit">{unitName(choices[0]!)}</span>}
      </div>
      {problem ? (
        <p className="field-problem" id={`${id}-problem`} role="alert">
          {problem}
        </p>
      ) : (
        hint && <p className="field-hint">{hint}</p>
      )}
    </div>
  );
}
