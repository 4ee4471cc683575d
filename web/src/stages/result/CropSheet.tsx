import { Button } from 'antd';
import { Link } from 'react-router';
import type { CropView } from '../../api/client';
import { CropToCome } from '../../drawings/CropToCome';
import { stepsOf, Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import '../../words/count';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { useCropSending } from './useCrop';

/** The crop of the season at hand: what to expect, how it came to be known, what to thin off, what was counted. */
export function CropSheet({ of, planting }: { of: CropView; planting: string }) {
  const { t } = useReading();
  const { crop, counts } = of;
  if (!crop && counts.samples.length === 0) return null;
  return (
    <section className="sheet crop-sheet" data-test="crop">
      <div className="stage-head">
        <h2>{t('crop.title', { season: of.season })}</h2>
        <Link to={`/field/${planting}/crop`} className="link-button link-button-quiet">
          {t('crop.count')}
        </Link>
      </div>
      <div className="crop-parts">
        <div>{crop && <ToCome crop={crop} />}</div>
        <div>
          {crop?.thinning && <Thinning load={crop.thinning} planting={planting} />}
          <Counted counts={counts} />
          <Thinned of={of} />
          <Kept of={of} planting={planting} />
        </div>
      </div>
    </section>
  );
}

type Crop = NonNullable<CropView['crop']>;

function ToCome({ crop }: { crop: Crop }) {
  const { t, number, told } = useReading();
  const now = crop.now;
  const label = t('crop.drawing', { wanted: number(crop.fruitWanted, 0) });
  return (
    <>
      <p>
        <Why main steps={now.steps}>
          <span className="result-big" data-test="crop-packed">
            {told(now.packedTPerHa, 't/ha', 1)}
          </span>
        </Why>{' '}
        {t('crop.packed', {
          low: told(now.packedLow, 't/ha', 1),
          high: told(now.packedHigh, 't/ha', 1),
          at: t(`crop.at.${now.at}`),
        })}
      </p>
      <p>
        {t('crop.fruit', {
          fruit: number(now.fruit, 0),
          low: number(now.fruitLow, 0),
          high: number(now.fruitHigh, 0),
          wanted: number(crop.fruitWanted, 0),
        })}
      </p>
      <CropToCome points={crop.forecasts} wanted={crop.fruitWanted} name={(at) => t(`crop.at.${at}`)} label={label} />
      <p className="small dim">{label}</p>
    </>
  );
}

function Thinning({ load, planting }: { load: NonNullable<Crop['thinning']>; planting: string }) {
  const { t, say, told } = useReading();
  return (
    <div data-test="thinning">
      <h3>{t('thinning.title')}</h3>
      <p>
        <Why steps={load.steps}>{say(load.sentence)}</Why>
      </p>
      <p>
        {t(load.isCounted ? 'thinning.counted' : 'thinning.expected')}{' '}
        <Why steps={stepsOf(load.steps, 'thinning.hours')}>{told(load.hoursPerHa, 'h/ha', 0)}</Why>{' '}
        {t('thinning.hours')} <Link to={`/plantings/${planting}/passes`}>{t('thinning.pass')}</Link>
      </p>
    </div>
  );
}

/** Whether thinners leave the fruit wanted, as trees counted after them tell. */
function Thinned({ of: { thinned, crews } }: { of: CropView }) {
  const { t, say } = useReading();
  if (!thinned) return null;
  return (
    <div data-test="thinned">
      <p className={thinned.all.isAgainst ? 'results-short' : undefined}>
        <Why steps={thinned.all.steps}>{say(thinned.all.sentence)}</Why>
      </p>
      {thinned.crews.map(({ crew, verdict }) => (
        <p key={crew} className={verdict.isAgainst ? 'results-short' : undefined}>
          <strong>{crews[crew]}.</strong> <Why steps={verdict.steps}>{say(verdict.sentence)}</Why>
        </p>
      ))}
      {thinned.apart > 0 && <p className="small dim">{t('thinning.apart', { count: thinned.apart })}</p>}
    </div>
  );
}

function Counted({ counts }: { counts: CropView['counts'] }) {
  const { t, say, number, told } = useReading();
  if (counts.samples.length === 0 && counts.setApart.length === 0) return null;
  const mean = (of: { mean: number; halfWidth: number | null } | null, unit: string) =>
    of === null ? '–' : told(of.mean, unit, 0) + (of.halfWidth === null ? '' : ` ± ${number(of.halfWidth, 0)}`);
  return (
    <>
      <table className="figures" data-test="crop-counts">
        <thead>
          <tr>
            <th>{t('crop.counted')}</th>
            <th className="number">{t('record.counted-trees')}</th>
            <th className="number">{t('crop.clusters')}</th>
            <th className="number">{t('crop.fruit-column')}</th>
          </tr>
        </thead>
        <tbody>
          {counts.samples.map((s) => (
            <tr key={s.point}>
              <td>{t(`crop.point.${s.point}`)}</td>
              <td className="number">{number(s.trees, 0)}</td>
              <td className="number">{mean(s.clusters, 'cluster/tree')}</td>
              <td className="number">{mean(s.fruit, s.point === 'set' ? 'fruitlet/tree' : 'fruit/tree')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {counts.setApart.map((notice, i) => (
        <p key={i} className="results-short">
          {say(notice)}
        </p>
      ))}
    </>
  );
}

function Kept({ of, planting }: { of: CropView; planting: string }) {
  const { t, number } = useReading();
  const day = useDays();
  const may = useMay();
  const { takeBack, busy, failure } = useCropSending(planting, of.season);
  if (of.kept.length === 0) return null;
  return (
    <details data-test="crop-kept">
      <summary>{t('crop.kept')}</summary>
      <table className="figures">
        <thead>
          <tr>
            <th>{t('crop.day')}</th>
            <th>{t('crop.tree')}</th>
            <th>{t('crop.counted')}</th>
            <th className="number">{t('crop.clusters')}</th>
            <th className="number">{t('crop.fruit-column')}</th>
            <th>{t('crop.who')}</th>
          </tr>
        </thead>
        <tbody>
          {of.kept.map(({ id, person, entry }) => (
            <tr key={id}>
              <td>{entry.day ? day(entry.day) : '–'}</td>
              <td>{t('field.place', { row: entry.row, tree: entry.tree })}</td>
              <td>{entry.point && t(`crop.point.${entry.point}`)}</td>
              <td className="number">{entry.clusters == null ? '–' : number(entry.clusters, 0)}</td>
              <td className="number">{entry.fruit == null ? '–' : number(entry.fruit, 0)}</td>
              <td>
                {person}{' '}
                {may('count') && (
                  <Button size="small" disabled={busy} onClick={() => void takeBack(id)}>
                    {t('crop.take-back')}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </details>
  );
}
