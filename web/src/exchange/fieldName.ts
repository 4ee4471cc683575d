import { useReading } from '../words/useReading';

/** The name of a field that a file may fill. */
export function useFieldName() {
  const { t } = useReading();
  return (field: string, otherwise = field, table = '') =>
    t(`column.${table}.${field}`, {
      defaultValue: t(`column.${field}`, { defaultValue: t(`field.${field}`, { defaultValue: otherwise }) }),
    });
}
