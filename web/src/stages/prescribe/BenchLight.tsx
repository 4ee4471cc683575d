import { useQuery } from '@tanstack/react-query';
import { api, answered } from '../../api/client';
import { LightInRow } from '../target/LightInRow';
import { useReading } from '../../words/useReading';
import '../target/target.css';

/** What the height of this tree and the alley beside it do to the light in the row. */
export function BenchLight({ id }: { id: string }) {
  const { t } = useReading();
  const light = useQuery({
    queryKey: ['bench-light', id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/bench/light', { params: { path: { id } } })),
  }).data;
  if (!light) return null;
  return (
    <section className="bench-lit">
      {light.light && light.rowM !== null ? (
        <LightInRow light={light.light} rowM={light.rowM} open />
      ) : (
        <p className="dim">{t('row-light.nowhere')}</p>
      )}
    </section>
  );
}
