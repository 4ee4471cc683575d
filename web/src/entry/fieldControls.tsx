import type { Draft } from './draft';
import { Choice, type Option } from './Choice';
import { Field, type FieldProps } from './Field';

export type FieldControls = ReturnType<typeof fieldControls>;

type InputOptions = { label?: string } & Pick<
  FieldProps,
  'hint' | 'placeholder' | 'unitLabel' | 'numeric' | 'type' | 'autoComplete'
>;

/** Builders for the inputs of a form that is kept as a draft. */
export function fieldControls(
  section: string,
  fields: Draft,
  onChange: (draft: Draft) => void,
  problem: (path: string) => string | undefined,
  t: (key: string) => string,
  onEnter: () => void,
) {
  const set = (path: string, next: { text?: string; unit?: string }) => {
    onChange({ ...fields, [path]: { text: '', ...fields[path], ...next } });
  };
  return {
    fields,
    /** An input with its units, if it has any. */
    input: (path: string, units: readonly string[], { label, ...rest }: InputOptions = {}) => (
      <Field
        key={path}
        label={label ?? t(`field.${path}`)}
        path={`${section}.${path}`}
        text={fields[path]?.text ?? ''}
        unit={fields[path]?.unit}
        units={units}
        problem={problem(path)}
        onEnter={onEnter}
        {...rest}
        onText={(text) => {
          set(path, { text });
        }}
        onUnit={(unit) => {
          set(path, { unit });
        }}
      />
    ),
    /** A choice among names. */
    choice: (path: string, options: Option[], hint?: string) => {
      const wrong = problem(path);
      return (
        <div className="field" key={path} data-field={`${section}.${path}`}>
          <span className="field-label" aria-hidden>
            {t(`field.${path}`)}
          </span>
          <Choice
            label={t(`field.${path}`)}
            value={fields[path]?.text ?? ''}
            invalid={wrong !== undefined}
            onChange={(text) => {
              set(path, { text });
            }}
            options={options}
            empty="–"
          />
          {wrong ? (
            <p className="field-problem" role="alert">
              {wrong}
            </p>
          ) : (
            hint && <p className="field-hint">{hint}</p>
          )}
        </div>
      );
    },
  };
}
