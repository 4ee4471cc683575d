import { Button } from 'antd';
import { useState } from 'react';
import { isEmptyLine } from '../../entry/paste';
import { Sheet, type SheetColumn } from '../../entry/Sheet';
import { Part } from '../../planting/Part';
import { usePlantingWork } from '../../planting/usePlanting';
import { firstUnit } from '../../units/system';
import '../../words/result';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { AlternationSheet } from './AlternationSheet';
import { CropSheet } from './CropSheet';
import { harvestGone, lineOf, recordColumns, withoutHarvest } from './draft';
import { HarvestSheet } from './HarvestSheet';
import './result.css';
import { LearnedSheet } from './LearnedSheet';
import { SeasonChainSheet } from './SeasonChainSheet';
import { SeasonForm } from './SeasonForm';
import { SeasonKeys } from './SeasonKeys';
import { useCrop } from './useCrop';

/** What past seasons brought: one from what was wanted to what came, its record, the list of all, and alternation. */
export function ResultStage() {
  const reading = useReading();
  const { t, unitName, system } = reading;
  const { draft, change, problem, view, may, unsaved } = usePlantingWork();
  const crop = useCrop(view);
  const filled = crop.data?.filled;
  const catalogue = useCatalogue();
  const units = (codes: string[] | undefined, name: (code: string) => string) =>
    (codes ?? []).map((code) => ({ value: code, label: name(code) }));
  const columns: SheetColumn[] = [
    { key: 'season', label: t('result.season'), wide: 0.8 },
    { key: 'yield', label: t('result.yield'), wide: 0.8 },
    { key: 'yieldUnit', label: t('unit'), options: units(catalogue.data?.yieldUnits, unitName), wide: 1.1 },
    { key: 'fruitSize', label: t('field.fruitSize'), wide: 0.8 },
    {
      key: 'fruitSizeUnit',
      label: t('unit'),
      options: units(catalogue.data?.fruitSizeUnits, (u) => t(`size:${u}`, { defaultValue: unitName(u) })),
      wide: 1.1,
    },
    { key: 'packOut', label: `${t('field.packOut')}, %`, wide: 0.8 },
    { key: 'budsLeft', label: t('result.buds-left'), wide: 0.8 },
    { key: 'clustersThinned', label: t('result.thinned'), wide: 1 },
    { key: 'greenTip', label: t('result.green-tip'), text: true, wide: 1.1 },
  ];
  const { lines } = draft('records');
  const seasons = lines.map((l) => l.season ?? '').filter((season) => season !== '');
  const latest = seasons
    .map(Number)
    .filter(Number.isFinite)
    .sort((a, b) => b - a)[0];
  const [chosen, setChosen] = useState<string | null>(null);
  const season = chosen !== null && seasons.includes(chosen) ? chosen : latest === undefined ? null : String(latest);
  const at = lines.findIndex((l) => l.season === season);
  const harvest = view.records.seasons?.find((s) => String(s.season) === season)?.harvest ?? [];
  // Places of lines are told as they are sent, without those that say nothing.
  const place = lines.slice(0, at).filter((l) => !isEmptyLine(l, recordColumns)).length;
  // What was counted since the record was begun; over what is being typed nothing is laid.
  const canFill =
    season === String(view.season) && at >= 0 && filled && filled.fills.length > 0 && !unsaved.includes('records');
  return (
    <div className="columns result-columns">
      <section>
        {crop.data && <CropSheet of={crop.data} planting={view.id} />}
        <div className="stage-head">
          <h2>{season === null ? t('result.title') : t('chain.title', { season })}</h2>
          <SeasonKeys seasons={seasons} season={season} onSeason={setChosen}>
            {filled?.record && may('records') && !seasons.includes(String(view.season)) && (
              <Button
                onClick={() => {
                  change('records', { lines: [...lines, lineOf(filled.record!, reading)] });
                  setChosen(String(view.season));
                }}
                data-test="season-begin"
              >
                {t('record.begin', { season: view.season })}
              </Button>
            )}
            {canFill && may('records') && (
              <Button
                onClick={() => {
                  change('records', { lines: lines.map((l, i) => (i === at ? lineOf(filled!.record!, reading) : l)) });
                }}
                data-test="season-fill"
              >
                {t('record.fill')}
              </Button>
            )}
          </SeasonKeys>
        </div>
        <SeasonChainSheet of={view.chains.find((c) => String(c.season) === season) ?? null} />
        <HarvestSheet
          of={view.harvests.find((h) => String(h.season) === season) ?? null}
          lines={harvest}
          gone={at < 0 ? new Set() : harvestGone(lines[at]!)}
          onGone={
            may('records') && at >= 0
              ? (gone) => {
                  change('records', {
                    lines: lines.map((l, i) => (i === at ? withoutHarvest(l, harvest, gone) : l)),
                  });
                }
              : null
          }
        />
        <Part section="records">
          {at >= 0 && (
            <SeasonForm
              key={season}
              line={lines[at]!}
              place={place}
              currency={crop.data?.currency ?? null}
              onLine={(line) => {
                change('records', { lines: lines.map((l, i) => (i === at ? line : l)) });
              }}
            />
          )}
          <h2>{t('result.title')}</h2>
          <Sheet
            full
            path="records.seasons"
            columns={columns}
            lines={lines}
            blank={{ yieldUnit: firstUnit('t/ha', system), fruitSizeUnit: firstUnit('g', system), packOutUnit: '%' }}
            onLines={(lines) => {
              change('records', { lines });
            }}
            problem={(line, field) => problem('records', `seasons[${line}].${field}`)}
          />
          <p className="small dim">{t('result.text')}</p>
        </Part>
        <div className="weighed">
          <div className="stage-head">
            <h2>{t('weighed.heading')}</h2>
          </div>
          <Part section="fruitSample">
            <p className="small dim">{t('weighed.text')}</p>
            <Sheet
              path="fruitSample.fruit"
              lines={draft('fruitSample').lines}
              blank={{ diameterUnit: firstUnit('mm', system), massUnit: 'g' }}
              full
              onLines={(lines) => {
                change('fruitSample', { lines });
              }}
              problem={(line, field) => problem('fruitSample', `fruit[${line}].${field}`)}
              columns={[
                { key: 'diameter', label: t('weighed.diameter') },
                { key: 'diameterUnit', label: t('unit'), options: units(['mm', 'in'], unitName) },
                { key: 'mass', label: t('weighed.mass') },
                { key: 'massUnit', label: t('unit'), options: units(['g', 'oz'], unitName) },
              ]}
            />
          </Part>
        </div>
      </section>
      <LearnedSheet />
      <AlternationSheet />
    </div>
  );
}
