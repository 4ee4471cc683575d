import { useState } from 'react';
import type { CropCountEntry, KitCrop } from '../../../api/client';
import { CountAgain } from '../../../field/CountAgain';
import { Figure } from '../../../field/Figure';
import { KeepTree } from '../../../field/KeepTree';
import { PlantingBar } from '../../../field/PlantingBar';
import { lastRow } from '../../../field/lastRow';
import type { KeptKit } from '../../../field/queue';
import { ToldHere } from '../../../field/ToldHere';
import { todayOf } from '../../../field/today';
import { useField, useMade } from '../../../field/useField';
import { WithKit } from '../../../field/WithKit';
import { parseNumber } from '../../../units/parse';
import '../../../words/check';
import '../../../words/result';
import { useReading } from '../../../words/useReading';
import '../../check/field/check.css';
import { RowAndTree } from '../../count/field/RowAndTree';
import '../../crew/field/work.css';
import { nextOfWalk, overBloom, ownCounts, type CropPoint } from './cropTrees';

/** The crop counted in the row on the trees of the walk, at each point of the year; without signal too. */
export function CropPage() {
  return <WithKit page={(kept) => <Page key={kept.id} kept={kept} />} />;
}

function Page({ kept }: { kept: KeptKit }) {
  const { t } = useReading();
  // One taken along by an earlier Rama has none.
  const { crop } = kept.kit as Partial<KeptKit['kit']>;
  return (
    <>
      <PlantingBar kit={kept.kit} at="crop" />
      <main className="field-main tally check-page">
        {crop ? <Crop kept={kept} crop={crop} /> : <p>{t('crop.again')}</p>}
      </main>
    </>
  );
}

const points: readonly CropPoint[] = ['bloom', 'set', 'thinned', 'harvest'];

const nothing = { clusters: '', fruit: '', takenOff: '' };

function Crop({ kept, crop }: { kept: KeptKit; crop: KitCrop }) {
  const { t, language, number } = useReading();
  const { put } = useField();
  const own = ownCounts(kept, useMade(kept.id));
  const { route, season } = kept.kit;
  const [point, setPoint] = useState(crop.atHand);
  const [place, setPlace] = useState<{ row: string; tree: string } | null>(null);
  const [typed, setTyped] = useState(nothing);
  const [doubt, setDoubt] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const counted = [...crop.counted, ...own.map((o) => o.count)];
  const { next, done } = nextOfWalk(route, counted, point);
  const at = place ?? { row: String(next?.row ?? lastRow(kept.id)), tree: String(next?.tree ?? '') };
  const clustersAsked = point !== 'harvest';
  const fruitAsked = point !== 'bloom';
  const change = (part: Partial<typeof nothing>) => {
    setTyped({ ...typed, ...part });
    setDoubt(null);
  };
  const chosen = (to: CropPoint) => {
    setPoint(to);
    setPlace(null);
    setTyped(nothing);
    setDoubt(null);
    setProblem(null);
  };

  const send = async (isSure: boolean) => {
    const [row, tree] = [parseNumber(at.row, language), parseNumber(at.tree, language)];
    const clusters = clustersAsked ? parseNumber(typed.clusters, language) : null;
    const fruit = fruitAsked ? parseNumber(typed.fruit, language) : null;
    const takenOff = point === 'thinned' ? parseNumber(typed.takenOff, language) : null;
    if (row === null || tree === null || [row, tree, clusters, fruit, takenOff].some((n) => Number.isNaN(n))) {
      setProblem(t('crop.number'));
      return;
    }
    if ((point === 'bloom' || point === 'set') && clusters === null) {
      setProblem(t('crop.clusters-missing'));
      return;
    }
    if ((point === 'thinned' || point === 'harvest') && fruit === null) {
      setProblem(t('crop.fruit-missing'));
      return;
    }
    if (clusters !== null && fruit !== null && fruit < clusters) {
      setProblem(t('crop.fruit-few'));
      return;
    }
    const over =
      point === 'set' && clusters !== null ? overBloom(counted, { row, tree }, clusters, crop.believed) : null;
    if (over !== null && !isSure) {
      setDoubt(over);
      return;
    }
    const body: CropCountEntry = {
      row,
      tree,
      point,
      day: todayOf(kept.kit.today, kept.at, new Date()),
      clusters,
      fruit,
      takenOff,
      isSure,
      note: null,
    };
    await put({ planting: kept.id, season, row, tree, supersedes: null, kind: 'crop', body });
    navigator.vibrate?.(30);
    setProblem(null);
    setDoubt(null);
    setPlace(null);
    setTyped(nothing);
  };
  const takeBack = (id: string) => put({ planting: kept.id, season, row: null, tree: null, supersedes: id });

  return (
    <>
      <div className="work-passes" role="group" aria-label={t('crop.when')}>
        {points
          .filter((p) => p !== 'thinned' || crop.isThinned)
          .map((p) => (
            <button
              key={p}
              type="button"
              className={p === point ? 'key-small key-on' : 'key-small'}
              aria-pressed={p === point}
              onClick={() => {
                chosen(p);
              }}
              data-test={`crop-${p}`}
            >
              {t(`crop.point.${p}`)}
            </button>
          ))}
      </div>
      <div className="check-next" data-test="crop-next">
        <strong>
          {next
            ? t('field.place', { row: next.row, tree: next.tree })
            : t(route.length === 0 ? 'check.no-walk' : 'crop.walk-done')}
        </strong>
        <span className="dim">{t('crop.done', { count: done, of: route.length })}</span>
      </div>
      <RowAndTree row={at.row} tree={at.tree} onChange={setPlace} />
      <div className="work-pair">
        {clustersAsked && (
          <Figure
            label={t(`crop.clusters-${point}`)}
            value={typed.clusters}
            onChange={(clusters) => {
              change({ clusters });
            }}
            test="crop-clusters"
            wide={point !== 'thinned'}
          />
        )}
        {fruitAsked && (
          <Figure
            label={t(`crop.fruit-${point}`)}
            value={typed.fruit}
            onChange={(fruit) => {
              change({ fruit });
            }}
            test="crop-fruit"
            wide={point !== 'set'}
          />
        )}
      </div>
      {point === 'thinned' && (
        <div className="work-pair">
          <Figure
            label={t('crop.taken-off')}
            value={typed.takenOff}
            onChange={(takenOff) => {
              change({ takenOff });
            }}
            test="crop-taken-off"
          />
        </div>
      )}
      {point !== 'bloom' && crop.fruitWanted !== null && (
        <p className="dim">{t('crop.wanted', { fruit: number(crop.fruitWanted, 0) })}</p>
      )}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {doubt !== null ? (
        <CountAgain
          test="crop"
          onAgain={() => {
            setDoubt(null);
          }}
          onStands={() => void send(true)}
        >
          {t('crop.doubt', { bloom: number(doubt, 0) })}
        </CountAgain>
      ) : (
        <KeepTree planting={kept.id} at={at} isTyped={typed !== nothing} test="crop" onKeep={() => void send(false)}>
          {t('crop.send')}
        </KeepTree>
      )}
      <ToldHere
        test="crop"
        told={own.map(({ id, count: c }) => ({
          id,
          text: `${t(`crop.point.${c.point}`)}: ${t('check.kept', {
            row: c.row,
            tree: c.tree,
            what: [c.clusters, c.fruit]
              .filter((n) => n !== null)
              .map((n) => number(n, 0))
              .join(' · '),
          })}`,
        }))}
        onTakeBack={(id) => void takeBack(id)}
      />
    </>
  );
}
