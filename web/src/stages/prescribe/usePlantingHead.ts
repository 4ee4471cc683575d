import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, answered } from '../../api/client';
import { plantingKey } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** Code, name and what grows in a planting, for the head of a page of its own. */
export function usePlantingHead(id: string) {
  const { local } = useReading();
  const planting = useQuery({
    queryKey: plantingKey(id, null),
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id }, query: {} } })),
  });
  const entry = planting.data?.planting;
  const title = entry ? `${entry.code} ${entry.name}` : '';
  useEffect(() => {
    if (title) document.title = `${title} · Rama`;
  }, [title]);
  return {
    view: planting.data,
    title,
    about: entry ? `${entry.variety} / ${entry.rootstock} · ${local(planting.data?.plan.planting?.system.name)}` : '',
  };
}
