import { useState } from 'react';
import type { KitCheck, TreeCheckEntry } from '../../../api/client';
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
import { firstUnit, shownAs } from '../../../units/system';
import '../../../words/check';
import '../../../words/crew';
import { useReading } from '../../../words/useReading';
import { CrewKeys } from '../../crew/field/CrewKeys';
import { useCrewOfDevice } from '../../crew/field/crewOfDevice';
import '../../crew/field/work.css';
import { rowsDone } from '../../crew/field/work';
import { RowAndTree } from '../../count/field/RowAndTree';
import { ToldVerdictLine } from '../ToldVerdictLine';
import { against, checkedPlaces, checkedToday, classOf, nextTree, ownChecks } from './nextTree';
import './check.css';

/** Finished trees checked in the row: the tree that is drawn, its girth, the buds left on it; without signal too. */
export function CheckTreePage() {
  return <WithKit page={(kept) => <Checking key={kept.id} kept={kept} />} />;
}

interface LimbTyped {
  diameter: string;
  buds: string;
}

const noLimb: LimbTyped = { diameter: '', buds: '' };

function Checking({ kept }: { kept: KeptKit }) {
  const { t } = useReading();
  const { check } = kept.kit as Partial<KeptKit['kit']>;
  return (
    <>
      <PlantingBar kit={kept.kit} at="check" />
      <main className="field-main tally check-page">
        {check ? <Check kept={kept} check={check} /> : <p>{t('check.nothing')}</p>}
      </main>
    </>
  );
}

function Check({ kept, check }: { kept: KeptKit; check: KitCheck }) {
  const { t, language, system, number } = useReading();
  const { put } = useField();
  const made = useMade(kept.id);
  const { work, season, route } = kept.kit;
  const pass = check.passes.at(-1)!;
  const own = ownChecks(kept, made);
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const [walk, setWalk] = useState(false);
  const drawn = nextTree(check, rowsDone(kept, made, pass), checkedPlaces(check, own, pass), gone);
  const walked = new Set(
    [...check.checked, ...own.map((o) => o.check)].filter((c) => c.afterPruning).map((c) => `${c.row}/${c.tree}`),
  );
  const stop = walk ? (route.find((s) => !walked.has(`${s.row}/${s.tree}`)) ?? null) : null;
  const next = walk ? stop : drawn;
  const [place, setPlace] = useState<{ row: string; tree: string } | null>(null);
  const at = place ?? { row: String(next?.row ?? lastRow(kept.id)), tree: String(next?.tree ?? '') };
  const crews = work.crews;
  const [crew, setCrew] = useCrewOfDevice(crews);
  const ofCrew = check.pruners.filter((p) => p.crew === crew);
  const [chosen, setChosen] = useState('');
  const pruner = ofCrew.some((p) => p.id === chosen) ? chosen : '';
  const [girth, setGirth] = useState('');
  const [byEye, setByEye] = useState('');
  const [left, setLeft] = useState('');
  const [limbs, setLimbs] = useState<LimbTyped[]>([]);
  const [more, setMore] = useState({ limbs: '', cuts: '', minutes: '', note: '' });
  const [wasShort, setWasShort] = useState(false);
  const [doubt, setDoubt] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const girthUnit = firstUnit('cm', system);
  const limbUnit = firstUnit('mm', system);
  const typedGirth = parseNumber(girth, language);
  const girthCm = typedGirth === null || Number.isNaN(typedGirth) ? null : typedGirth / shownAs('cm', system).factor;
  const asked = classOf(check, girthCm, byEye);
  const byLimb = limbs.length > 0;
  const buds = byLimb
    ? limbs.map((l) => parseNumber(l.buds, language) ?? 0).reduce((a, b) => a + b, 0)
    : parseNumber(left, language);
  const lies = asked && buds !== null && !Number.isNaN(buds) && !byLimb ? against(asked, buds) : null;
  const isTyped = byLimb || [left, more.limbs, more.cuts].some((text) => text !== '');
  const day = todayOf(kept.kit.today, kept.at, new Date());
  const className = (name: string) => t(`class.${name}`, { defaultValue: name });
  const said = check.hands.find((h) => h.who === (pruner || crew))?.told ?? check.verdict;

  const send = async (isSure: boolean) => {
    const told = {
      row: parseNumber(at.row, language),
      tree: parseNumber(at.tree, language),
      girth: typedGirth,
      left: byLimb ? null : parseNumber(left, language),
      limbsLeft: parseNumber(more.limbs, language),
      bigCuts: parseNumber(more.cuts, language),
      minutes: parseNumber(more.minutes, language),
    };
    const typed = limbs.map((l) => ({
      diameter: parseNumber(l.diameter, language),
      buds: parseNumber(l.buds, language),
    }));
    const all = [...Object.values(told), ...typed.flatMap((l) => [l.diameter, l.buds])];
    if (all.some((n) => Number.isNaN(n)) || told.row === null || told.tree === null) {
      setProblem(t('check.number'));
      return;
    }
    if (told.left === null && !byLimb && told.bigCuts === null && told.limbsLeft === null) {
      setProblem(t('check.left-missing'));
      return;
    }
    if (typed.some((l) => l.buds === null)) {
      setProblem(t('check.limb-missing'));
      return;
    }
    const off = asked?.number && buds ? buds / asked.number : 1;
    if (!isSure && !wasShort && (off > check.believed || off < 1 / check.believed)) {
      setDoubt(true);
      return;
    }
    setProblem(null);
    setDoubt(false);
    const body: TreeCheckEntry = {
      row: told.row,
      tree: told.tree,
      pass,
      day,
      pruner: walk ? null : pruner || null,
      crew: walk ? null : crew || null,
      girth: { value: told.girth, unit: girthUnit },
      class: asked?.name ?? null,
      left: told.left,
      limbs: typed.map((l) => ({ diameter: { value: l.diameter, unit: limbUnit }, buds: l.buds })),
      limbsLeft: told.limbsLeft,
      bigCuts: told.bigCuts,
      minutes: told.minutes,
      wasShort,
      isSure,
      afterPruning: walk,
      note: more.note.trim() || null,
    };
    await put({
      planting: kept.id,
      season,
      row: told.row,
      tree: told.tree,
      supersedes: null,
      kind: 'check',
      body,
    });
    navigator.vibrate?.(30);
    setPlace(null);
    setGirth('');
    setByEye('');
    setLeft('');
    setLimbs([]);
    setMore({ limbs: '', cuts: '', minutes: '', note: '' });
    setWasShort(false);
  };
  const takeBack = (id: string) => put({ planting: kept.id, season, row: null, tree: null, supersedes: id });

  return (
    <>
      {said && !walk && (
        <p className="check-said" data-test="check-said">
          <ToldVerdictLine told={said} />
        </p>
      )}
      <div className="work-passes" role="group" aria-label={t('check.which')}>
        {[false, true].map((after) => (
          <button
            key={String(after)}
            type="button"
            className={after === walk ? 'key-small key-on' : 'key-small'}
            aria-pressed={after === walk}
            onClick={() => {
              setWalk(after);
              setPlace(null);
            }}
            data-test={after ? 'check-walk' : 'check-drawn'}
          >
            {t(after ? 'check.walk' : 'check.drawn')}
          </button>
        ))}
      </div>
      {check.classes.length === 0 && <p className="field-problem">{t('check.no-card')}</p>}
      <div className="check-next" data-test="check-next">
        {next ? (
          <strong>{t('field.place', { row: next.row, tree: next.tree })}</strong>
        ) : (
          <strong>
            {t(
              walk
                ? route.length === 0
                  ? 'check.no-walk'
                  : 'check.walk-done'
                : check.rows.length === 0
                  ? 'check.any-tree'
                  : 'check.none-done',
            )}
          </strong>
        )}
        {!walk && drawn && <span className="dim">{t(drawn.isDue ? 'check.due' : 'check.one-more')}</span>}
        {!walk && drawn && (
          <button
            type="button"
            className="key-small"
            onClick={() => {
              setGone(new Set([...gone, `${drawn.row}/${drawn.tree}`]));
              setPlace(null);
            }}
          >
            {t('check.gone')}
          </button>
        )}
      </div>
      <RowAndTree row={at.row} tree={at.tree} onChange={setPlace} />
      <div className="work-pair">
        <Figure label={`${t('check.girth')} (${girthUnit})`} value={girth} onChange={setGirth} test="check-girth" />
        {!byLimb && <Figure label={t('check.left')} value={left} onChange={setLeft} test="check-left" wide />}
      </div>
      {girthCm === null && check.classes.length > 1 && (
        <div className="work-passes" role="group" aria-label={t('check.class')}>
          {check.classes.map((c) => (
            <button
              key={c.name}
              type="button"
              className={c.name === byEye ? 'key-small key-on' : 'key-small'}
              aria-pressed={c.name === byEye}
              onClick={() => {
                setByEye(c.name);
              }}
            >
              {className(c.name)}
            </button>
          ))}
        </div>
      )}
      {asked && asked.number !== null && (
        <p className={`check-band check-${lies ?? 'open'}`} data-test="check-band" aria-live="polite">
          <strong>{className(asked.name)}</strong>{' '}
          {t('check.band', {
            number: number(asked.number, 0),
            least: number(asked.least ?? 0, 0),
            most: number(asked.most ?? 0, 0),
          })}
          {lies && ` · ${t(`check.lies-${lies}`)}`}
        </p>
      )}
      {limbs.map((limb, i) => (
        <div key={i} className="work-pair">
          <Figure
            label={`${t('check.limb', { limb: i + 1 })} (${limbUnit})`}
            value={limb.diameter}
            onChange={(diameter) => {
              setLimbs(limbs.map((l, n) => (n === i ? { ...l, diameter } : l)));
            }}
            test={`check-limb-${i + 1}`}
          />
          <Figure
            label={t('check.limb-buds')}
            value={limb.buds}
            onChange={(b) => {
              setLimbs(limbs.map((l, n) => (n === i ? { ...l, buds: b } : l)));
            }}
            test={`check-limb-buds-${i + 1}`}
          />
        </div>
      ))}
      <div className="tally-acts">
        <button
          type="button"
          className="key-small"
          onClick={() => {
            setLimbs([...limbs, noLimb]);
          }}
          data-test="check-add-limb"
        >
          {t(byLimb ? 'check.next-limb' : 'check.by-limb')}
        </button>
        {byLimb && (
          <button
            type="button"
            className="key-small"
            onClick={() => {
              setLimbs(limbs.slice(0, -1));
            }}
          >
            {t('check.drop-limb')}
          </button>
        )}
        <button
          type="button"
          className={wasShort ? 'key-small key-on' : 'key-small'}
          aria-pressed={wasShort}
          onClick={() => {
            setWasShort(!wasShort);
          }}
          data-test="check-short"
        >
          {t('check.short')}
        </button>
      </div>
      {!walk && crews.length > 0 && (
        <fieldset className="work-group">
          <legend>{t('work.crew')}</legend>
          <CrewKeys
            crews={crews}
            crew={crew}
            onCrew={(c) => {
              setCrew(c.id);
            }}
          />
        </fieldset>
      )}
      {!walk && ofCrew.length > 0 && (
        <fieldset className="work-group">
          <legend>{t('check.pruner')}</legend>
          {ofCrew.map((p) => (
            <button
              key={p.id}
              type="button"
              className={p.id === pruner ? 'key-small key-on' : 'key-small'}
              aria-pressed={p.id === pruner}
              onClick={() => {
                setChosen(p.id === pruner ? '' : p.id);
              }}
              data-test={`check-pruner-${p.name}`}
            >
              {p.name}{' '}
              <span className="dim">
                {checkedToday(check, own, p.id, day)}/{check.leastADay}
              </span>
            </button>
          ))}
        </fieldset>
      )}
      <details className="check-more">
        <summary>{t('check.more')}</summary>
        <div className="work-pair">
          <Figure
            label={t('check.limbs-left')}
            value={more.limbs}
            onChange={(limbsLeft) => {
              setMore({ ...more, limbs: limbsLeft });
            }}
            test="check-limbs-left"
          />
          <Figure
            label={t('check.big-cuts')}
            value={more.cuts}
            onChange={(cuts) => {
              setMore({ ...more, cuts });
            }}
            test="check-big-cuts"
          />
          <Figure
            label={t('check.minutes')}
            value={more.minutes}
            onChange={(minutes) => {
              setMore({ ...more, minutes });
            }}
            test="check-minutes"
          />
        </div>
        <label className="work-text">
          {t('work.note')}
          <input
            value={more.note}
            maxLength={300}
            onChange={(e) => {
              setMore({ ...more, note: e.target.value });
            }}
          />
        </label>
      </details>
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {doubt ? (
        <CountAgain
          test="check"
          onAgain={() => {
            setDoubt(false);
          }}
          onStands={() => void send(true)}
        >
          {t('check.doubt', { buds: number(buds ?? 0, 0), asked: number(asked?.number ?? 0, 0) })}
        </CountAgain>
      ) : (
        <KeepTree planting={kept.id} at={at} isTyped={isTyped} test="check" onKeep={() => void send(false)}>
          {t('check.send')}
        </KeepTree>
      )}
      <ToldHere
        test="check"
        told={own.map(({ id, check: c }) => ({
          id,
          text: t('check.kept', {
            row: c.row,
            tree: c.tree,
            what: c.left == null ? (c.limbs ?? []).map((l) => l.buds).join(' + ') || '–' : number(c.left, 0),
          }),
        }))}
        onTakeBack={(id) => void takeBack(id)}
      />
    </>
  );
}
