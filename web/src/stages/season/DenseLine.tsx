import { Link } from 'react-router';
import type { SeasonLine, SeasonView } from '../../api/client';
import { LedgerLine } from '../../drawings/LedgerLine';
import { useMay } from '../../people/session';
import { titleOf } from '../../planting/titleOf';
import { useReading } from '../../words/useReading';
import { markOf } from '../check/marks';
import { dayOf, pathTo, scalesOf, verdictOf } from './lineWords';

/**
 * A planting in one line, to be chosen with others: all the roomy one tells but its sentence and its year. Its account
 * is drawn on a scale of its own; what it comes to stands beside it in figures.
 */
export function DenseLine({
  line,
  season,
  search,
  severalSites,
  isChosen,
  isAt,
  onChoose,
}: {
  line: SeasonLine;
  season: SeasonView;
  search: string;
  severalSites: boolean;
  isChosen: boolean;
  isAt: boolean;
  onChoose: (stretch: boolean) => void;
}) {
  const { t, local, told, number, say } = useReading();
  const may = useMay();
  const about = [
    `${line.variety} / ${line.rootstock}`,
    line.areaHa === null ? null : told(line.areaHa, 'ha', 1),
    local(season.systems[line.system]),
    line.leaf === null ? null : t('leaf', { count: line.leaf, ordinal: true }),
    severalSites && line.site,
  ]
    .filter(Boolean)
    .join(' · ');
  const unknown = line.isPending && line.ledger === null;
  const standing = line.ledger?.standing?.mean;
  const left = line.ledger?.left;
  const against = line.check?.against[0]?.told ?? (line.check?.kind === 'tooFewCounts' ? null : line.check);
  return (
    <div className={`dense-line${isAt ? ' season-at' : ''}${isChosen ? ' dense-chosen' : ''}`}>
      <input
        type="checkbox"
        checked={isChosen}
        aria-label={t('season.choose', { planting: titleOf(line) })}
        data-test={`choose-${line.code}`}
        onClick={(e) => {
          onChoose(e.shiftKey);
        }}
        onChange={() => undefined}
      />
      <Link to={pathTo(line, search)} data-test={`planting-${line.code}`} title={line.reason ? say(line.reason) : ''}>
        <span className="dense-name">{titleOf(line)}</span>
        <span className="small dim">{about}</span>
        <span className={`dense-verdict verdict-${line.decision ?? 'none'}`}>
          {line.isPending ? t('season.pending-line') : verdictOf(line, t)}
          {against && (
            <span className={`season-check-${against.kind}`} title={say(against.sentence)}>
              {' '}
              {markOf(against.kind)}
            </span>
          )}
        </span>
        <span className="dense-drawing">
          {line.ledger ? (
            <LedgerLine ledger={line.ledger} scale={scalesOf([line])[line.habit]!} />
          ) : (
            !unknown && (
              <span className="small dim">{t(line.isInTraining ? 'season.no-crop' : 'season.no-target')}</span>
            )
          )}
        </span>
        <span className="dense-buds">
          {standing !== undefined && left != null
            ? `${number(standing, 0)} → ${number(left, 0)}`
            : line.ledger && `→ ${number(line.ledger.wanted, 0)}`}
        </span>
        {may('money') && <WorkCells work={line.work} today={season.today} />}
      </Link>
    </div>
  );
}

/** Hours of work, and whether they fit before green tip. */
function WorkCells({ work, today }: { work: SeasonLine['work']; today: string }) {
  const { t, told, number, language } = useReading();
  if (!work) return <span />;
  const late = work.daysLate ?? 0;
  const opens = work.window?.from;
  return (
    <>
      <span className="right">
        {work.hoursAssumed && '≈ '}
        {number(work.hours, 0)} <span className="unit">{t('unit:h')}</span>
      </span>
      <span className={late > 0 ? 'season-late' : 'dim'}>
        {late > 0
          ? `▲ ${t('season.days-late', { count: late })}`
          : work.doneShare > 0
            ? t('season.done', { share: told(work.doneShare, 'share', 0) })
            : opens && opens > today
              ? t('season.from', { day: dayOf(opens, language) })
              : work.daysToGreenTip === null
                ? t('season.no-green-tip')
                : work.daysToGreenTip >= 0
                  ? t('season.green-tip', { count: work.daysToGreenTip })
                  : t('season.after-green-tip')}
      </span>
    </>
  );
}
