import { Button, Segmented, Select } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { BenchView, NextTree } from '../../api/client';
import { TreeDrawing, type Aim } from '../../drawings/TreeDrawing';
import { budsFalling, standingAfter, type View } from '../../drawings/tree';
import { useWidth } from '../../drawings/useWidth';
import { benchKeys } from '../../keys/ofPages';
import { useKeys } from '../../keys/useKeys';
import { usePlantingHead } from './usePlantingHead';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { BenchLight } from './BenchLight';
import { BenchPanel } from './BenchPanel';
import { CompareTrees } from './CompareTrees';
import { PracticePanel } from './practice/PracticePanel';
import { useBench, type BenchMode, type BenchTree } from './useBench';
import { useNextTree } from './practice/usePractice';
import './bench.css';

const PLAY_MS = 900;
/** Below this width the drawing needs the room its margins take. */
const NARROW = 600;

/** A tree of the planting, drawn to scale: step through the prescription, or cut it yourself. */
export function BenchPage() {
  const { id } = useParams();
  const { t, told, number, local } = useReading();
  const head = usePlantingHead(id!);
  const asked = useSearchParams()[0];
  const [choice, setChoice] = useState<BenchTree>({
    class: asked.get('class'),
    // Who practises has not seen this tree cut: the typical one stands on the prescription.
    number: Number(asked.get('number') ?? (asked.has('practice') ? 1 : 0)) || 0,
    row: null,
    tree: null,
    pass: asked.get('pass'),
  });
  const [spoken, setSpoken] = useState<readonly number[]>([]);
  const [comparing, setComparing] = useState(false);
  const [seen, setSeen] = useState<readonly number[]>([]);
  const [trained, setTrained] = useState<NextTree['trains']>(null);
  const nextTree = useNextTree(id!);
  const [turned, setTurned] = useState<View | null>(null);
  const [aim, setAim] = useState<Aim | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [lit, setLit] = useState(false);
  const [touching, setTouching] = useState(false);
  // What is pointed at and spoken of goes with its tree and with what is done on it.
  const letGo = () => {
    setSpoken([]);
    setComparing(false);
    setAim(null);
    setChosen(null);
    setTouching(false);
  };
  const onBench = useBench(id!, choice, asked.has('practice') ? 'practice' : 'card');
  const work = {
    ...onBench,
    enter: (next: BenchMode) => {
      letGo();
      onBench.enter(next);
    },
  };
  const { bench, mode, made, ahead, step } = work;
  const [ref, width] = useWidth<HTMLDivElement>(880);
  // As much as the window has, but no empty sky above a narrow drawing.
  const height = Math.max(420, Math.min(window.innerHeight - 103, width * 1.25));
  const data = head.settled ? bench.data : undefined;
  const view = turned ?? data?.seenFrom ?? 'along';
  const last = data?.prescribed.length ?? 0;

  useEffect(() => {
    if (!playing || step >= last) return;
    const timer = window.setTimeout(() => {
      work.go(step + 1);
      if (step + 1 >= last) setPlaying(false);
    }, PLAY_MS);
    return () => {
      window.clearTimeout(timer);
    };
  });

  // Another tree there: nothing that was cut or said is of it.
  const put = (next: Partial<BenchTree>) => {
    work.restart();
    letGo();
    setTrained(null);
    if ('class' in next && next.class !== data?.class) setSeen([]);
    setChoice({ ...choice, ...next });
  };
  const another = () => {
    put({ class: data?.class ?? null, number: choice.number + 1, row: null, tree: null });
  };
  // Whoever practises gets the tree that trains what went worst.
  const train = () => {
    const cut = [...seen, choice.number];
    setSeen(cut);
    nextTree.mutate(
      {
        class: data?.class ?? '',
        seen: cut,
        said: (work.score?.remarks ?? []).map((r) => r.code),
      },
      {
        onSuccess: ({ tree, trains }) => {
          // Where all that are offered were cut, any other will do.
          const number = tree?.number ?? Math.max(...cut) + 1;
          put({ class: data?.class ?? null, number, row: null, tree: null });
          setTrained(trains);
        },
      },
    );
  };
  const byHand = mode !== 'card';
  // Until the tree asked for is there the last one is shown, and nothing is cut on it.
  const isComing = bench.isPlaceholderData;
  const standing =
    data?.tree.branches.filter(
      (b) =>
        (b.kind === 'limb' || b.kind === 'arm' || b.kind === 'shoot') &&
        !made.some((c) => c.wood.some((w) => w.branch === b.id && w.fromM <= 0.1)),
    ) ?? [];
  const limbs = standing.sort((a, b) => b.path[0]!.heightM - a.path[0]!.heightM);
  const pick = (by: number) => {
    if (isComing) return;
    const next = limbs[Math.max(0, Math.min(limbs.length - 1, limbs.findIndex((b) => b.id === chosen) + by))];
    if (next) setChosen(next.id);
  };
  const cut = (at: Aim, touched: boolean) => {
    if (!data || isComing) return;
    // A finger hides what it is at: the first touch shows what would fall, the next one cuts.
    setTouching(touched);
    if (touched && !sameAim(aim, at)) {
      setAim(at);
      return;
    }
    if (at.bud !== null) work.cut({ bud: at.bud });
    else if (at.branch !== null) work.cut({ branch: at.branch, leaveM: leaves(data, at) });
    setAim(null);
    setChosen(null);
  };
  useKeys(
    {
      ArrowRight: () => {
        if (byHand) pick(1);
        else work.go(step + 1);
      },
      ArrowLeft: () => {
        if (byHand) pick(-1);
        else work.go(step - 1);
      },
      ArrowDown: () => {
        pick(1);
      },
      ArrowUp: () => {
        pick(-1);
      },
      Home: () => {
        if (!byHand) work.go(0);
      },
      End: () => {
        if (!byHand) work.go(last);
      },
      ' ': () => {
        if (!byHand) {
          if (step >= last) work.go(0);
          setPlaying((p) => !p);
        }
      },
      x: () => {
        if (byHand && chosen !== null) cut({ branch: chosen, bud: null, leaveM: -1 }, false);
        else if (!byHand) work.enter('hand');
      },
      u: () => {
        if (byHand) work.undo();
      },
      r: () => {
        if (byHand) work.redo();
      },
      p: () => {
        if (choice.pass === null) work.enter(mode === 'practice' ? 'card' : 'practice');
      },
      v: () => {
        setTurned(view === 'along' ? 'across' : 'along');
      },
    },
    benchKeys,
  );

  if (bench.error && !bench.data) return <Trouble error={bench.error} retry={() => void bench.refetch()} />;
  const shownAim = aim ?? (byHand && chosen !== null ? { branch: chosen, bud: null, leaveM: -1 } : null);
  // What is pointed at, in the words a lead would use; a pruner who practises counts for themselves.
  const aimed = (branch: number, leaveM: number) => {
    const wood = data!.tree.branches[branch]!;
    const ratio = data!.ratios[branch];
    return [
      t(`bench.wood-${wood.kind}`, { thick: told(wood.diameterMm, 'mm', 0) }),
      ...(ratio === undefined ? [] : [t('bench.ratio', { ratio: number(ratio, 2) })]),
      ...(mode === 'practice'
        ? []
        : [
            t('bench.would-fall', {
              buds: t('bench.buds', { count: budsFalling(data!.tree, branch, leaveM, standingAfter(made)) }),
            }),
          ]),
    ].join(' · ');
  };
  const heightLimitM = data?.heightLimitM ?? null;
  const limit = heightLimitM === null ? head.title : `${t('bench.height-limit')} ${told(heightLimitM, 'm', 1)}`;
  // What tree this is, in the reader's words.
  const foot = (shown: BenchView) => {
    const which = choice.row !== null ? 'counted' : choice.number === 0 ? 'typical' : 'another';
    const said = t(`bench.foot-${which}`, {
      trunk: told(shown.tree.trunkMm, 'mm', 0),
      number: choice.number,
      class: t(`class.${shown.class}`, { defaultValue: shown.class }),
    });
    return [
      said,
      ...(mode === 'card' ? [t('bench.foot-ahead')] : []),
      ...(leafBuds ? [t('bench.leaf-buds')] : []),
    ].join(' · ');
  };
  const leafBuds = data?.tree.buds.some((b) => !b.floral) ?? false;
  return (
    <main className="bench">
      <header className="bench-head">
        <div className="bench-title">
          <Link to={`/plantings/${id}/prescribe`}>← {t('stage.prescribe')}</Link> <h1>{head.title}</h1>{' '}
          <span className="dim">{head.about}</span>
        </div>
        {data && (
          <div className="bench-choices">
            {data.classes.length > 1 && (
              <Segmented
                value={choice.row === null ? data.class : ''}
                onChange={(value) => {
                  put({ class: value, number: 0, row: null, tree: null });
                }}
                options={data.classes.map((c) => ({ value: c, label: t(`class.${c}`, { defaultValue: c }) }))}
              />
            )}
            {data.passes.length > 1 && (
              <Segmented
                value={choice.pass ?? ''}
                onChange={(pass) => {
                  work.enter('card');
                  put({ pass: pass === '' ? null : pass });
                }}
                options={data.passes.map((p) => ({ value: p.id, label: local(p.name) }))}
              />
            )}
            <Segmented
              value={view}
              onChange={setTurned}
              options={[
                { value: 'along', label: t('bench.along') },
                { value: 'across', label: t('bench.across') },
              ]}
            />
            <Button
              type={lit ? 'primary' : 'default'}
              aria-pressed={lit}
              onClick={() => {
                setLit(!lit);
              }}
              data-test="bench-light"
            >
              {t('row-light.short')}
            </Button>
            <Button onClick={another} data-test="another">
              {t('bench.another')}
            </Button>
            {data.models.length > 0 && (
              <Select
                className="bench-models"
                aria-label={t('bench.counted')}
                placeholder={t('bench.counted')}
                value={choice.row === null ? null : `${choice.row}/${choice.tree}`}
                options={data.models.map((m) => ({
                  value: `${m.row}/${m.tree}`,
                  label: t('bench.model', { row: m.row, tree: m.tree }),
                }))}
                onChange={(value: string) => {
                  const [row, tree] = value.split('/').map(Number);
                  put({ class: null, number: 0, row: row!, tree: tree! });
                }}
              />
            )}
          </div>
        )}
      </header>
      {lit && <BenchLight id={id!} />}
      <div className="bench-body">
        <div
          className="bench-drawing"
          ref={ref}
          data-test="bench-tree"
          data-cuts={made.length}
          data-buds={made.at(-1)?.after.floralBuds ?? data?.before.floralBuds}
        >
          {!data && <p className="waiting">{t('loading')}</p>}
          {data && (
            <>
              {comparing && mode === 'practice' ? (
                <CompareTrees data={data} made={made} view={view} width={width} height={height} spoken={spoken} />
              ) : (
                <TreeDrawing
                  tree={data.tree}
                  view={view}
                  width={width}
                  height={height}
                  margin={width < NARROW ? 24 : 56}
                  made={made}
                  ahead={mode === 'card' ? ahead : []}
                  now
                  wires={data.wiresM}
                  heightLimitM={data.heightLimitM}
                  heightLimitText={limit}
                  alleyText={t('bench.alley')}
                  spoken={mode === 'practice' ? spoken : []}
                  aim={shownAim && { ...shownAim, leaveM: leaves(data, shownAim) }}
                  onAim={byHand && !isComing ? setAim : undefined}
                  onCut={byHand ? cut : undefined}
                />
              )}
              <p className={comparing ? 'bench-foot bench-foot-below small' : 'bench-foot small'}>
                {shownAim
                  ? [
                      shownAim.branch === null ? t('bench.one-bud') : aimed(shownAim.branch, leaves(data, shownAim)),
                      ...(touching ? [t('bench.touch-again')] : []),
                    ].join(' · ')
                  : isComing
                    ? t('loading')
                    : foot(data)}
              </p>
            </>
          )}
        </div>
        {data &&
          (mode === 'practice' ? (
            <PracticePanel
              key={JSON.stringify(choice)}
              id={id!}
              work={work}
              data={data}
              tree={choice}
              trained={trained}
              comparing={comparing}
              onCompare={setComparing}
              onSpoken={setSpoken}
              onNext={train}
            />
          ) : (
            <BenchPanel
              work={work}
              data={data}
              toTheNumber={choice.pass === null}
              playing={playing}
              play={() => {
                if (step >= last) work.go(0);
                setPlaying((p) => !p);
              }}
            />
          ))}
      </div>
    </main>
  );
}

/** How far apart two touches of one place may lie, metres. */
const SAME_PLACE_M = 0.15;

/** Whether a touch is at what is shown to fall already. */
const sameAim = (shown: Aim | null, at: Aim) =>
  shown !== null &&
  shown.branch === at.branch &&
  shown.bud === at.bud &&
  Math.abs(shown.leaveM - at.leaveM) <= SAME_PLACE_M;

/** What a cut leaves: a limb its renewal stub, anything else nothing, unless it is cut further out. */
function leaves(data: BenchView, aim: Aim): number {
  if (aim.leaveM >= 0 || aim.branch === null) return Math.max(0, aim.leaveM);
  return data.tree.branches[aim.branch]!.kind === 'limb' ? data.stubM : 0;
}
