import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { CatalogueVariety, Step } from '../../api/client';
import { Choice } from '../../entry/Choice';
import { Why } from '../../entry/Why';
import { useKeptSaves } from '../../entry/useKeptSaves';
import { useMay } from '../../people/session';
import { Trouble } from '../../Trouble';
import { shownAs } from '../../units/system';
import { useReading } from '../../words/useReading';
import './catalogue.css';
import { RootstockForm, VarietyForm } from './CatalogueForms';
import { rootstockKey, standingRootstock, standingVariety, varietyKey } from './ownEntries';
import { useCatalogue } from './useCatalogue';
import { numbers, units, type NumberField } from './varietyNumbers';

/** What Rama knows of crops, varieties and rootstocks, each number with its source; an estate may know better. */
export function CataloguePage() {
  const { t, local, number } = useReading();
  const catalogue = useCatalogue();
  const may = useMay();
  const [crop, setCrop] = useState('apple');
  const [edited, setEdited] = useState<{ what: 'variety' | 'rootstock'; name: string } | null>(null);
  // A save that ends after another entry was opened does not close that one.
  const done = () => {
    setEdited((now) => (now === edited ? null : now));
  };
  const edit = (what: 'variety' | 'rootstock', name: string) => {
    setEdited({ what, name });
  };
  useEffect(() => {
    document.title = `${t('place.catalogue')} · Rama`;
  }, [t]);
  if (catalogue.error) return <Trouble error={catalogue.error} retry={() => void catalogue.refetch()} />;
  if (!catalogue.data) return <p className="waiting">{t('loading')}</p>;
  const { crops, varieties, rootstocks } = catalogue.data;
  const chosen = crops.find((c) => c.id === crop)!;
  return (
    <main className="page catalogue">
      <div className="stage-head">
        <h1>{t('place.catalogue')}</h1>
        <span className="catalogue-tools">
          <Link to="/catalogue/systems" data-test="to-systems">
            {t('systems.title')}
          </Link>
          <Choice
            label={t('catalogue.crop')}
            value={crop}
            onChange={(c) => {
              setCrop(c);
              setEdited(null);
            }}
            options={crops.map((c) => ({ value: c.id, label: local(c.name) }))}
          />
          {may('catalogue') && (
            <Button
              onClick={() => {
                edit('variety', '');
              }}
              data-test="add-variety"
            >
              {t('catalogue.add')}
            </Button>
          )}
          {may('catalogue') && (
            <Button
              onClick={() => {
                edit('rootstock', '');
              }}
              data-test="add-rootstock"
            >
              {t('catalogue.add-rootstock')}
            </Button>
          )}
        </span>
      </div>
      <p>
        {local(chosen.note)}{' '}
        <span className="dim">
          {t(
            chosen.fruitPerUnitLow.value === chosen.fruitPerUnitHigh.value
              ? 'catalogue.counted-one'
              : 'catalogue.counted',
            {
              what: local(chosen.counted),
              low: number(chosen.fruitPerUnitLow.value),
              high: number(chosen.fruitPerUnitHigh.value),
            },
          )}{' '}
          · {source(chosen.fruitPerUnitLow.source)}
        </span>
      </p>
      <div className={edited === null ? undefined : 'columns catalogue-columns'}>
        <section>
          <h2>{t('catalogue.varieties')}</h2>
          <table className="figures" data-test="varieties">
            <thead>
              <tr>
                <th>{t('field.variety')}</th>
                {numbers.map((n) => (
                  <th key={n} className="number">
                    {t(`catalogue.${n}`)}
                  </th>
                ))}
                <th>{t('catalogue.traits')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {varieties
                .filter((v) => v.crop === crop)
                .map((v) => (
                  <tr key={v.name}>
                    <th scope="row">
                      {v.name}
                      {v.version > 0 && (
                        <span className="catalogue-own"> {t(v.shipped ? 'catalogue.changed' : 'catalogue.own')}</span>
                      )}
                    </th>
                    {numbers.map((n) => (
                      <NumberCell key={n} variety={v} field={n} />
                    ))}
                    <td className="small">{traitsOf(v)}</td>
                    <td className="right">
                      {may('catalogue') && (
                        <Change
                          name={v.name}
                          of={varietyKey(v.name)}
                          standing={standingVariety(v)}
                          onOpen={() => {
                            edit('variety', v.name);
                          }}
                        />
                      )}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
          <h2 className="catalogue-stocks">{t('catalogue.rootstocks')}</h2>
          <table className="figures">
            <thead>
              <tr>
                <th>{t('field.rootstock')}</th>
                <th className="number">{t('catalogue.vigour')}</th>
                <th>{t('catalogue.precocity')}</th>
                <th>{t('catalogue.hardiness')}</th>
                <th>{t('catalogue.suckering')}</th>
                <th>{t('catalogue.source')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {rootstocks
                .filter((r) => r.crop === crop)
                .map((r) => [r, r.current, r.shipped] as const)
                .map(([rootstock, current, shipped]) => (
                  <tr key={rootstock.name}>
                    <th scope="row">
                      {rootstock.name}
                      {rootstock.version > 0 && (
                        <span className="catalogue-own">
                          {' '}
                          {t(shipped ? 'catalogue.changed' : 'catalogue.own-rootstock')}
                        </span>
                      )}
                    </th>
                    <td className="number">
                      <Why steps={[sourced(t('catalogue.vigour'), current.vigourPercent, '%')]}>
                        {number(current.vigourPercent.value, 0)} <span className="unit">%</span>
                      </Why>
                      {shipped && shipped.vigourPercent.value !== current.vigourPercent.value && (
                        <span className="catalogue-shipped">
                          {t('catalogue.shipped', { value: number(shipped.vigourPercent.value, 0) })}
                        </span>
                      )}
                    </td>
                    <td>{t(`trait.precocity.${current.precocity}`)}</td>
                    <td>{t(`trait.hardiness.${current.hardiness}`)}</td>
                    <td>{t(`trait.suckering.${current.suckering}`)}</td>
                    <td className="small dim">{source(current.source)}</td>
                    <td className="right">
                      {may('catalogue') && (
                        <Change
                          name={rootstock.name}
                          of={rootstockKey(rootstock.name)}
                          standing={standingRootstock(rootstock)}
                          onOpen={() => {
                            edit('rootstock', rootstock.name);
                          }}
                        />
                      )}
                    </td>
                  </tr>
                ))}
            </tbody>
          </table>
        </section>
        {edited?.what === 'variety' && (
          <VarietyForm
            key={edited.name}
            variety={varieties.find((v) => v.name === edited.name) ?? null}
            crop={crop}
            onDone={done}
          />
        )}
        {edited?.what === 'rootstock' && (
          <RootstockForm
            key={edited.name}
            rootstock={rootstocks.find((r) => r.name === edited.name) ?? null}
            crop={crop}
            onDone={done}
          />
        )}
      </div>
    </main>
  );

  function source(text: string) {
    return t(text, { defaultValue: text });
  }

  function traitsOf({ current: { traits } }: CatalogueVariety) {
    return [
      traits.biennialProne && t('trait.biennial'),
      t(`trait.vigour.${traits.vigour}`),
      t(`trait.habit.${traits.habit}`),
      traits.branching === 'poor' && t('trait.branching.poor'),
      traits.fruitSize !== 'normal' && t(`trait.fruitSize.${traits.fruitSize}`),
      traits.setTendency !== 'normal' && t(`trait.set.${traits.setTendency}`),
      traits.selfFertile && t('trait.selfFertile'),
    ]
      .filter(Boolean)
      .join(', ');
  }
}

/** Where a number of the catalogue comes from, for the same answer that every other number gives. */
const sourced = (name: string, { value, source }: { value: number; source: string }, unit: string): Step => ({
  code: 'catalogue',
  formula: 'from the catalogue',
  result: { name, value, unit, words: null },
  inputs: [],
  source,
});

/** Opens the form of a line, and knows what its saves came to once that is closed. */
function Change({
  name,
  of,
  standing,
  onOpen,
}: {
  name: string;
  of: string;
  standing: object | null;
  onOpen: () => void;
}) {
  const { t } = useReading();
  useKeptSaves(of, standing);
  return (
    <Button size="small" onClick={onOpen} data-test={`change-${name}`}>
      {t('catalogue.change')}
    </Button>
  );
}

/** A number with its source, and what is shipped where the estate's own differs. */
function NumberCell({ variety, field }: { variety: CatalogueVariety; field: NumberField }) {
  const { t, number, unitName, system } = useReading();
  const { unit, factor } = shownAs(units[field], system);
  const shown = (value: number) => (factor === 1 ? number(value) : number(value * factor, 1));
  const current = variety.current[field];
  const shipped = variety.shipped?.[field];
  const changed = variety.shipped !== null && current?.value !== shipped?.value;
  return (
    <td className="number">
      {current ? (
        <Why steps={[sourced(t(`catalogue.${field}`), current, units[field])]}>
          {shown(current.value)} <span className="unit">{unitName(unit)}</span>
        </Why>
      ) : (
        '–'
      )}
      {changed && (
        <span className="catalogue-shipped">
          {t('catalogue.shipped', { value: shipped ? shown(shipped.value) : '–' })}
        </span>
      )}
    </td>
  );
}
