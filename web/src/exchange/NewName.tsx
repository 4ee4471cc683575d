import { useQueryClient } from '@tanstack/react-query';
import { api, answered } from '../api/client';
import { Choice } from '../entry/Choice';
import { useAttempt } from '../entry/useAttempt';
import { useMay } from '../people/session';
import { useCatalogue } from '../stages/estate/useCatalogue';
import { useReading } from '../words/useReading';

/** A variety or rootstock nobody knows yet, made there and then: like one that is known, until its own numbers are. */
export function NewName({
  field,
  written,
  onMade,
}: {
  field: 'variety' | 'rootstock';
  written: string;
  onMade: (name: string) => void;
}) {
  const { t, local } = useReading();
  const may = useMay();
  const client = useQueryClient();
  const { data } = useCatalogue();
  const { attempt, failure } = useAttempt();
  if (!data || !may('catalogue')) return null;
  const known = field === 'variety' ? data.varieties : data.rootstocks;
  const source = (like: string) => `as ${like}, until own records`;
  const make = (like: string) =>
    attempt(async () => {
      const made =
        field === 'variety'
          ? await answered(api.PUT('/api/v1/catalogue/varieties', { body: { version: 0, variety: variety(like) } }))
          : await answered(
              api.PUT('/api/v1/catalogue/rootstocks', { body: { version: 0, rootstock: rootstock(like) } }),
            );
      client.setQueryData(['catalogue'], made);
      onMade(written.trim());
    });
  return (
    <>
      <Choice
        label={t('import.new-like', { written })}
        value=""
        empty={t('import.new-like', { written })}
        options={known.map((k) => ({
          value: k.name,
          label: `${k.name} (${local(data.crops.find((c) => c.id === k.crop)?.name)})`,
        }))}
        onChange={(like) => void make(like)}
      />
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </>
  );

  function variety(like: string) {
    const { crop, current } = data!.varieties.find((v) => v.name === like)!;
    return {
      name: written.trim(),
      crop,
      biennialProne: current.traits.biennialProne,
      cropDensityLow: current.cropDensityLow?.value ?? null,
      cropDensityHigh: current.cropDensityHigh?.value ?? null,
      setShare: current.setShare.value,
      setShareSd: current.setShareSd.value,
      fruitMassG: current.fruitMassG.value,
      source: source(like),
    };
  }

  function rootstock(like: string) {
    const { crop, current } = data!.rootstocks.find((r) => r.name === like)!;
    return {
      name: written.trim(),
      crop,
      vigourPercent: current.vigourPercent.value,
      precocity: current.precocity,
      hardiness: current.hardiness,
      suckering: current.suckering,
      source: source(like),
    };
  }
}
