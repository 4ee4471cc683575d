import { useEffect } from 'react';
import { usePlantingView } from '../../planting/usePlantingView';
import { useReading } from '../../words/useReading';

/** Code, name and what grows in a planting, for the head of a page of its own. */
export function usePlantingHead(id: string) {
  const { local } = useReading();
  const planting = usePlantingView(id);
  const entry = planting.data?.planting;
  const title = entry ? `${entry.code} ${entry.name}` : '';
  useEffect(() => {
    if (title) document.title = `${title} · Rama`;
  }, [title]);
  return {
    view: planting.data,
    /** Whether it will stay as tall as it is: what stands below would move under a finger. */
    settled: !planting.isPending,
    title,
    about: entry ? `${entry.variety} / ${entry.rootstock} · ${local(planting.data?.plan.planting?.system.name)}` : '',
  };
}
