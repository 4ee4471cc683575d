import type { FieldProblem } from '../api/client';
import type { useReading } from '../words/useReading';

/** What is expected at a field, in the reader's words. */
export function problemText(problem: FieldProblem, { t, number, unitName }: ReturnType<typeof useReading>): string {
  if (problem.code === 'text') return t('problem:text', { example: number(3.5) });
  if (problem.code === 'range' && problem.min != null && problem.max != null) {
    // A year is no quantity: it has no unit and is not grouped.
    const plain = problem.unit === '';
    const write = (value: number) => (plain ? String(value) : number(value));
    const unit = unitName(problem.unit === '1' ? '' : (problem.unit ?? ''));
    return t('problem:range', { min: write(problem.min), max: write(problem.max) + (unit && ` ${unit}`) });
  }
  // What stands before the colon is the field's name, which the label already says.
  return t(`problem:${problem.code}`, { defaultValue: problem.message.replace(/^[^:]{1,40}: /, '') });
}
