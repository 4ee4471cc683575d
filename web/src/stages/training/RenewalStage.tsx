import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type RenewalView, type WinterRenewalEntry } from '../../api/client';
import { AgesDrawing } from '../../drawings/AgesDrawing';
import { ScaffoldRound } from '../../drawings/ScaffoldRound';
import { ChoiceField } from '../../entry/Choice';
import type { FormSpec } from '../../entry/draft';
import { Notices } from '../../entry/Notices';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { YearsTabs } from './YearsTabs';
import './training.css';

/** The wood of a planting by age, how fast it is renewed, and where that leads. */
export function RenewalStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const renewal = useQuery({
    queryKey: ['renewal', view.id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/renewal', { params: { path: { id: view.id } } })),
  });
  if (renewal.error) return <Trouble error={renewal.error} retry={() => void renewal.refetch()} />;
  if (!renewal.data) return <p className="waiting">{t('loading')}</p>;
  return <Renewal renewal={renewal.data} />;
}

function Renewal({ renewal }: { renewal: RenewalView }) {
  const { t, number } = useReading();
  const { view } = usePlantingWork();
  const { ledger, system, season } = renewal;
  return (
    <section className="training">
      <YearsTabs at="renewal" />
      <div className="stage-head">
        <h2>{t('renewal.title')}</h2>
        {ledger?.forecast?.cycleYears != null && system && (
          <p className="training-sum" data-test="cycle">
            <Why steps={[...ledger.steps, ...ledger.forecast.steps]}>
              <strong>{number(ledger.forecast.cycleYears, 1)}</strong> {t('renewal.cycle')}
            </Why>{' '}
            <span className="dim">
              {t('renewal.limits', { least: number(system.leastYears), most: number(system.mostYears) })}
            </span>
          </p>
        )}
      </div>
      {!system && <p className="dim">{t('renewal.none')}</p>}
      {ledger && <Notices notices={ledger.warnings} />}
      {ledger?.firstThisWinter != null && (
        <p data-test="first-this-winter">
          <strong>{number(ledger.firstThisWinter)}</strong> {t('renewal.first')}
        </p>
      )}
      {ledger && system?.of === 'limb' && <Ages ledger={ledger} season={season} bearing={system.bearingYears} />}
      {ledger?.cohorts && (
        <dl className="renewal-cohorts" data-test="cohorts">
          <dt>{t('renewal.cohorts')}</dt>
          {(['built', 'cropping', 'toRemove'] as const).map((cohort) => (
            <dd key={cohort}>
              <strong>{number(ledger.cohorts![cohort], 1)}</strong> {t(`renewal.cohort.${cohort}`)}
            </dd>
          ))}
        </dl>
      )}
      {ledger && ledger.scaffolds.length > 0 && (
        <section>
          <h3>{t('renewal.scaffolds')}</h3>
          <div className="renewal-round">
            <ScaffoldRound scaffolds={ledger.scaffolds} next={ledger.nextScaffold} />
            <div>
              {ledger.nextScaffold != null && (
                <p className="training-sum" data-test="next-scaffold">
                  <strong>{t('renewal.scaffold-next', { n: ledger.nextScaffold })}</strong>
                </p>
              )}
              <p className="small dim">{t('renewal.scaffold-text')}</p>
            </div>
          </div>
        </section>
      )}
      <Winters renewal={renewal} planting={view.id} />
    </section>
  );
}

function Ages({
  ledger,
  season,
  bearing,
}: {
  ledger: NonNullable<RenewalView['ledger']>;
  season: number;
  bearing: number;
}) {
  const { t, number } = useReading();
  const { view } = usePlantingWork();
  const { forecast, spentShare, trees, steps } = ledger;
  if (!forecast)
    return (
      <p className="dim">
        {t('renewal.ages-none')} <Link to={`/field/${view.id}`}>{t('renewal.to-row')}</Link>
      </p>
    );
  return (
    <>
      <h3>
        {t('renewal.ages')} <span className="small dim">{t('renewal.ages-of', { trees })}</span>
      </h3>
      <AgesDrawing winters={forecast.winters} season={season} bearing={bearing} />
      {forecast.winters.length === 1 && <p className="small dim">{t('renewal.unknown')}</p>}
      {spentShare != null && (
        <p data-test="spent">
          <Why steps={steps}>
            <strong>{number(spentShare * 100, 0)} %</strong>
          </Why>{' '}
          {t('renewal.spent')} <span className="small dim">({t('renewal.spent-text', { age: number(bearing) })})</span>
        </p>
      )}
    </>
  );
}

const spec: FormSpec = { limbs: 'number', scaffold: 'number' };

/** What was renewed in past winters, and this one's to be told. */
function Winters({ renewal, planting }: { renewal: RenewalView; planting: string }) {
  const { t, number, unitName } = useReading();
  const [season, setSeason] = useState(renewal.season);
  return (
    <section className="training-measures" data-test="renewed">
      <h3>{t('renewal.winters')}</h3>
      {renewal.winters.length > 0 && (
        <ul className="renewal-winters">
          {renewal.winters.map((w) => (
            <li key={w.season}>
              <span className="dim">{w.season}</span>{' '}
              {w.renewal.limbs != null && (
                <>
                  <strong>{number(w.renewal.limbs, 1)}</strong> {unitName('limb/tree')}
                </>
              )}
              {w.renewal.scaffold != null && ` ${t('renewal.scaffold', { n: w.renewal.scaffold })}`}
            </li>
          ))}
        </ul>
      )}
      <WinterForm key={season} renewal={renewal} planting={planting} season={season} onSeason={setSeason} />
    </section>
  );
}

function WinterForm({
  renewal,
  planting,
  season,
  onSeason,
}: {
  renewal: RenewalView;
  planting: string;
  season: number;
  onSeason: (season: number) => void;
}) {
  const { t } = useReading();
  const may = useMay();
  const known = renewal.winters.find((w) => w.season === season);
  const version = known?.version ?? 0;
  const put = (entry: WinterRenewalEntry) =>
    answered(
      api.PUT('/api/v1/plantings/{id}/renewal/{season}', {
        params: { path: { id: planting, season } },
        body: { version, renewal: entry },
      }),
    );
  const form = useEntryForm<WinterRenewalEntry>({
    of: `renewal ${planting} ${season}`,
    section: 'renewal',
    spec,
    standing: known?.renewal ?? null,
    put,
    // Told nothing, the server keeps nothing.
    remove: () => put({}),
  });
  const { problem } = form;
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        form.save();
      }}
    >
      <fieldset className="part" disabled={!may('report')}>
        <div className="fields">
          <ChoiceField
            label={t('renewal.of-winter')}
            value={String(season)}
            onChange={(s) => {
              onSeason(Number(s));
            }}
            options={Array.from({ length: Math.min(12, (renewal.leaf ?? 13) - 1) }, (_, i) => ({
              value: String(renewal.season - i),
              label: String(renewal.season - i),
            }))}
          />
          {form.fields.input('limbs', ['limb/tree'], { label: t('renewal.limbs') })}
          {renewal.system?.of === 'scaffold' &&
            form.fields.input('scaffold', [], { label: t('renewal.scaffold-field') })}
        </div>
        {may('report') && <SaveLine of={form} test="save-renewal" wrong={problem('season') ?? problem('renewal')} />}
      </fieldset>
    </form>
  );
}
