import type { BenchCut } from '../../api/client';
import { useReading } from '../../words/useReading';

const decimals: Record<string, number> = {
  height: 2,
  diameter: 0,
  ratio: 2,
  rise: 0,
  length: 2,
  age: 0,
  drop: 0,
  leave: 2,
};

/** The reason of a cut in the reader's language and units; the words are the rule pack's. */
export function useTold() {
  const { local, amount, t } = useReading();
  return (cut: BenchCut) =>
    local(cut.because).replace(/\{(\w+)\}/g, (hole, name: string) => {
      const figure = cut.figures.find((f) => f.name === name);
      if (!figure) return hole;
      // A stub told in metres would read as nothing.
      const small = name === 'leave' && figure.value < 0.3;
      const shown = small ? amount(figure.value * 100, 'cm', 0) : amount(figure.value, figure.unit, decimals[name]);
      if (name === 'drop') return t('bench.buds', { count: figure.value });
      return figure.unit === '1' ? shown.number : `${shown.number}${shown.unit === '°' ? '' : ' '}${shown.unit}`;
    });
}
