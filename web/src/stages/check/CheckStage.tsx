import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CheckedHand, CheckView } from '../../api/client';
import { CheckLane } from '../../drawings/CheckLane';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import '../../words/check';
import '../../words/count';
import { useReading } from '../../words/useReading';
import { Demonstrated } from '../prescribe/Demonstrated';
import '../prescribe/prescribe.css';
import '../../words/prescribe';
import { Wide } from '../../look/Wide';
import { CheckForm } from './CheckForm';
import './check.css';
import { markOf } from './marks';
import { ToldVerdictLine } from './ToldVerdictLine';
import { useChecks, useCheckSending } from './useChecks';
import { WhatItDoes } from './WhatItDoes';

type Says = NonNullable<CheckView['says']>;
type Tree = Says['trees'][number];

/** Whether the planting is pruned as asked: the sentence first, then what it does to the crop, then the counts. */
export function CheckStage() {
  const { view } = usePlantingWork();
  const { t } = useReading();
  const checks = useChecks(view.id, view.season);
  if (checks.error) return <Trouble error={checks.error} retry={() => void checks.refetch()} />;
  if (!checks.data) return <p className="waiting">{t('loading')}</p>;
  return <Checks view={checks.data} />;
}

function Checks({ view }: { view: CheckView }) {
  const { t, say, number } = useReading();
  const may = useMay();
  const planting = usePlantingWork().view;
  const [open, setOpen] = useState<string | null>(null);
  const sending = useCheckSending(planting.id, planting.season);
  const { says } = view;
  if (view.passes.length === 0) return <p className="sheet">{t('check.nothing')}</p>;
  const mayReport = may('report') && !planting.isPast;
  const nameOf = (id: string | null | undefined) => (id ? (view.names[id] ?? '') : '');
  return (
    <div className="check-stage" data-test="check-stage">
      <Sentence says={says} />
      <div className="columns check-columns">
        <section>
          {says && <Lanes says={says} nameOf={nameOf} />}
          {says && <Notices notices={says.warnings} />}
          {mayReport && open === null && (
            <p>
              <Button
                type="primary"
                onClick={() => {
                  setOpen('new');
                }}
                data-test="check-add"
              >
                {t('check.add')}
              </Button>{' '}
              <Link to={`/field/${planting.id}/check`}>{t('check.in-row')}</Link>
            </p>
          )}
          {open !== null && (
            <CheckForm
              key={open}
              view={view}
              kept={view.checks.find((c) => c.id === open) ?? null}
              sending={sending}
              onDone={() => {
                setOpen(null);
              }}
            />
          )}
          {sending.failure && (
            <p className="field-problem" role="alert">
              {sending.failure}
            </p>
          )}
          {says && (
            <List
              view={view}
              nameOf={nameOf}
              onOpen={mayReport ? setOpen : null}
              onTakeBack={(id) => void sending.takeBack(id)}
              busy={sending.busy}
            />
          )}
          <Demonstrated />
        </section>
        <aside>
          {says?.effect && <WhatItDoes effect={says.effect} off={says.all.off} currency={view.currency} />}
          {says?.rest && (
            <div className="sheet" data-test="check-rest">
              <h2>{t('check.rest')}</h2>
              <Why main steps={says.rest.steps}>
                <span className="big">{number(says.rest.budsPerTree, 0)}</span>{' '}
                <span className="unit">{t('unit:bud/tree')}</span>
              </Why>
              {says.rest.warnings.map((w) => (
                <p key={w.code}>{say(w)}</p>
              ))}
              <LeaveRest rest={says.rest} />
            </div>
          )}
          {says && says.classes.length > 0 && <ByClass says={says} />}
          {says?.afterPruning && <AfterPruning of={says.afterPruning} nameOf={nameOf} />}
        </aside>
      </div>
    </div>
  );
}

function Sentence({ says }: { says: CheckView['says'] }) {
  const { t, say } = useReading();
  if (!says || (says.all.kind === 'none' && !says.amounts))
    return <p className="check-verdict check-verdict-none">{t('check.none')}</p>;
  const told = says.all.kind === 'none' && says.amounts ? says.amounts : says.all;
  const { correction } = says.all;
  return (
    <div className={`check-verdict check-verdict-${told.kind}`} data-test="check-verdict">
      <p className="check-sentence">
        <span aria-hidden>{markOf(told.kind)}</span>{' '}
        <Why main steps={says.all.steps}>
          {say(told.sentence)}
        </Why>
      </p>
      {correction && <p className="check-correction">{say(correction.sentence)}</p>}
    </div>
  );
}

/** A lane a pruner, or a crew where no names are told, in the order of the checks. */
function Lanes({ says, nameOf }: { says: Says; nameOf: (id: string | null | undefined) => string }) {
  const { t, number, say } = useReading();
  const charted = says.trees.filter((tree) => tree.standing === 'charted' && !tree.check.afterPruning);
  const placed = charted.map((tree, place) => ({ ...tree, place }));
  const lanes: { hand: CheckedHand | null; who: (tree: Tree) => boolean; name: string }[] = [
    // One crew alone is all there is.
    ...(says.crews.length === 1 ? [] : [{ hand: null, who: () => true, name: t('check.all') }]),
    ...says.crews.map((hand) => ({ hand, who: (c: Tree) => c.check.crew === hand.who, name: nameOf(hand.who) })),
    ...says.pruners.map((hand) => ({ hand, who: (c: Tree) => c.check.pruner === hand.who, name: nameOf(hand.who) })),
  ];
  if (charted.length === 0) return null;
  return (
    <section className="check-lanes" data-test="check-lanes">
      <h2>{t('check.lane')}</h2>
      {lanes.map(({ hand, who, name }) => (
        <div key={hand?.who ?? 'all'} className="check-lane-of">
          <p>
            <strong>{name}</strong>{' '}
            {hand && (
              <span className="small">
                <ToldVerdictLine
                  told={{
                    kind: hand.verdict.kind,
                    sentence: hand.verdict.sentence,
                    correction: hand.verdict.correction?.sentence ?? null,
                  }}
                />
              </span>
            )}
          </p>
          <CheckLane
            label={`${name}: ${say((hand?.verdict ?? says.all).sentence)}`}
            places={placed.length}
            tolerance={says.tolerance}
            trees={placed.filter(who).map((tree) => ({
              place: tree.place,
              share: tree.share ?? 1,
              title: t('check.dot', {
                row: tree.check.row,
                tree: tree.check.tree,
                left: number(tree.check.left ?? 0, 0),
                asked: number(tree.asked ?? 0, 0),
              }),
            }))}
          />
        </div>
      ))}
    </section>
  );
}

/** The rest of the planting left with what makes up for the trees done, by choice: a new card says so. */
function LeaveRest({ rest }: { rest: NonNullable<Says['rest']> }) {
  const { t, number, told } = useReading();
  const may = useMay();
  const { view, draft, change, save } = usePlantingWork();
  const cutting = draft('cutting');
  const kept = view.cutting.rest ?? null;
  if (!may('settings') || view.isPast || (!rest.isWithin && kept === null)) return null;
  const leave = (share: number | null) => {
    change('cutting', { ...cutting, rest: share });
  };
  const isTyped = cutting.rest !== kept;
  return (
    <div>
      {kept !== null && (
        <p data-test="rest-kept">
          {t(kept > 0 ? 'check.rest-more' : 'check.rest-fewer', { share: told(Math.abs(kept), 'share', 0) })}
        </p>
      )}
      <p className="crews-acts">
        {rest.isWithin && (
          <Button
            onClick={() => {
              leave(rest.share);
            }}
            data-test="rest-leave"
          >
            {t('check.rest-leave', { buds: number(rest.budsPerTree, 0) })}
          </Button>
        )}
        {(cutting.rest ?? null) !== null && (
          <Button
            onClick={() => {
              leave(null);
            }}
          >
            {t('check.rest-back')}
          </Button>
        )}
        {isTyped && (
          <Button type="primary" onClick={() => void save('cutting')} data-test="rest-save">
            {t('check.rest-save')}
          </Button>
        )}
      </p>
      {(isTyped || kept !== null) && <p className="small">{t('check.rest-card')}</p>}
    </div>
  );
}

function ByClass({ says }: { says: Says }) {
  const { t } = useReading();
  return (
    <div className="sheet">
      <h2>{t('check.by-class')}</h2>
      <Classes of={says.classes} />
    </div>
  );
}

function Classes({ of }: { of: Says['classes'] }) {
  const { t, number } = useReading();
  return (
    <table className="figures">
      <thead>
        <tr>
          <th>{t('check.class')}</th>
          <th className="number">{t('check.trees')}</th>
          <th className="number">{t('check.asked')}</th>
          <th className="number">{t('check.left-short')}</th>
        </tr>
      </thead>
      <tbody>
        {of.map((c) => (
          <tr key={c.class}>
            <td>{t(`class.${c.class}`, { defaultValue: c.class })}</td>
            <td className="number">{c.left.count}</td>
            <td className="number">{number(c.asked, 0)}</td>
            <td className="number">
              {number(c.left.mean, 0)}
              {c.left.halfWidth != null && <span className="dim"> ± {number(c.left.halfWidth, 0)}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function AfterPruning({
  of,
  nameOf,
}: {
  of: NonNullable<Says['afterPruning']>;
  nameOf: (id: string | null | undefined) => string;
}) {
  const { t, number, told } = useReading();
  return (
    <div className="sheet" data-test="check-after">
      <h2>{t('check.after')}</h2>
      <p>
        <span className="big">{number(of.left, 0)}</span> <span className="unit">{t('unit:bud/tree')}</span>{' '}
        {t('check.after-of', { asked: number(of.asked, 0), count: of.trees })}
        {of.leftLow != null && of.leftHigh != null && (
          <span className="dim">
            {' '}
            ({number(of.leftLow, 0)}–{number(of.leftHigh, 0)})
          </span>
        )}
      </p>
      <Classes of={of.classes} />
      {of.crews.length > 0 && (
        <table className="figures">
          <tbody>
            {of.crews.map((c) => (
              <tr key={c.crew}>
                <td>{nameOf(c.crew)}</td>
                <td className="number">{c.share.count}</td>
                <td className="number">{told(c.share.mean, 'share', 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}

const FIRST = 12;

function List({
  view,
  nameOf,
  onOpen,
  onTakeBack,
  busy,
}: {
  view: CheckView;
  nameOf: (id: string | null | undefined) => string;
  onOpen: ((id: string) => void) | null;
  onTakeBack: (id: string) => void;
  busy: boolean;
}) {
  const { t, number } = useReading();
  const [all, setAll] = useState(false);
  const lines = view.checks.map((kept, i) => ({ kept, tree: view.says!.trees[i]! })).reverse();
  return (
    <>
      <h2>{t('check.list')}</h2>
      <Wide>
        <table className="figures check-list" data-test="check-list">
          <thead>
            <tr>
              <th>{t('check.tree')}</th>
              <th>{t('check.class')}</th>
              <th className="number">{t('check.left-short')}</th>
              <th className="number">{t('check.asked')}</th>
              <th>{t('check.who')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {(all ? lines : lines.slice(0, FIRST)).map(({ kept, tree }) => (
              <tr key={kept.id}>
                <td>
                  {t('field.place', { row: tree.check.row, tree: tree.check.tree })}
                  {tree.standing !== 'charted' && (
                    <span className="small dim"> {t(`check.standing-${tree.standing}`)}</span>
                  )}
                  {tree.check.afterPruning && <span className="small dim"> {t('check.walk')}</span>}
                </td>
                <td>{tree.class && t(`class.${tree.class}`, { defaultValue: tree.class })}</td>
                <td className="number">{tree.check.left === null ? '–' : number(tree.check.left, 0)}</td>
                <td className="number">
                  {tree.asked === null ? '–' : number(tree.asked, 0)}
                  {tree.byGauge && <span className="small dim"> {t('check.by-gauge')}</span>}
                </td>
                <td>
                  {[nameOf(tree.check.pruner), nameOf(tree.check.crew)].filter(Boolean).join(' · ')}
                  {tree.check.note && <p className="small dim">{tree.check.note}</p>}
                </td>
                <td>
                  {onOpen && (
                    <>
                      <Button
                        size="small"
                        onClick={() => {
                          onOpen(kept.id);
                        }}
                      >
                        {t('check.correct')}
                      </Button>{' '}
                      <Button
                        size="small"
                        disabled={busy}
                        onClick={() => {
                          onTakeBack(kept.id);
                        }}
                      >
                        {t('check.take-back')}
                      </Button>
                    </>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      {!all && lines.length > FIRST && (
        <Button
          size="small"
          onClick={() => {
            setAll(true);
          }}
        >
          {t('check.all-of', { count: lines.length })}
        </Button>
      )}
    </>
  );
}
