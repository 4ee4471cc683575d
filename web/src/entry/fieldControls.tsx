import type { Draft } from './draft';
import { Choice, Field, type Option } from './Field';

export type FieldControls = ReturnType<typeof fieldControls>;

/** Builders for the inputs of a form that is kept as a draft. */
export function fieldControls(
  section: string, fields: Draft, onChange: (draft: Draft) => void, problem: (path: string) => string | undefined, t: (key: string) => string,
  onEnter: () => void,
) {
  const set = (path: string, next: { text?: string; unit?: string }) => {
    onChange({ ...fields, [path]: { text: '', ...fields[path], ...next } });
  };
  return {
    fields,
    /** An input with its units, if it has any. */
    input: (path: string, units: readonly string[], { hint, placeholder, unitLabel, numeric = true }: { hint?: string | undefined; placeholder?: string | undefined; unitLabel?: (unit: string) => string; numeric?: boolean } = {}) => (
      <Field key={path} label={t(`field.${path}`)} path={`${section}.${path}`} text={fields[path]?.text ?? ''} unit={fields[path]?.unit} units={units}
        problem={problem(path)} hint={hint} placeholder={placeholder} unitLabel={unitLabel} numeric={numeric} onEnter={onEnter}
        onText={(text) => { set(path, { text }); }} onUnit={(unit) => { set(path, { unit }); }} />
    ),
    /** A choice among names. */
    choice: (path: string, options: Option[]) => {
      const wrong = problem(path);
      return (
        <div className="field" key={path} data-field={`${section}.${path}`}>
          <span className="field-label" aria-hidden>{t(`field.${path}`)}</span>
          <Choice label={t(`field.${path}`)} value={fields[path]?.text ?? ''} invalid={wrong !== undefined} onChange={(text) => { set(path, { text }); }} options={options} empty="–" />
          {wrong && <p className="field-problem" role="alert">{wrong}</p>}
        </div>
      );
    },
  };
}
