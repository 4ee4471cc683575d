import { Link } from 'react-router';
import type { CheckGlance, SeasonLine, SeasonView } from '../../api/client';
import { LedgerLine } from '../../drawings/LedgerLine';
import { useMay } from '../../people/session';
import { titleOf } from '../../planting/titleOf';
import { useReading } from '../../words/useReading';
import { markOf } from '../check/marks';
import { YearStrip } from '../passes/YearStrip';
import { dayOf, pathTo, verdictOf } from './lineWords';

/** A planting with all that is said of it. */
export function RoomyLine({
  line,
  scale,
  season,
  at,
  search,
  severalSites,
  isAt,
}: {
  line: SeasonLine;
  scale: number;
  season: SeasonView;
  at: (day: string) => number;
  search: string;
  severalSites: boolean;
  isAt: boolean;
}) {
  const { t, local, told, say } = useReading();
  const may = useMay();
  const about = [
    `${line.variety} / ${line.rootstock}`,
    local(season.systems[line.system]),
    line.leaf === null ? null : t('leaf', { count: line.leaf, ordinal: true }),
    line.areaHa === null ? null : told(line.areaHa, 'ha', 1),
    severalSites && line.site,
  ];
  const unknown = line.isPending && line.ledger === null;
  const todo = line.isInTraining ? 'season.todo-training' : `season.todo-${line.stage}`;
  return (
    <Link
      to={pathTo(line, search)}
      className={`season-line${isAt ? ' season-at' : ''}`}
      data-test={`planting-${line.code}`}
    >
      <span>
        <span className="season-name">{titleOf(line)}</span>
        <span className="small dim season-about">{about.filter(Boolean).join(' · ')}</span>
      </span>
      <span>
        {line.isPending && <span className="small dim">{t('season.pending-line')}</span>}
        {!unknown && <span className={`season-verdict verdict-${line.decision ?? 'none'}`}>{verdictOf(line, t)}</span>}
        <span className="small season-reason">
          {line.stage === 'decide' && <strong>{t('season.todo-decide')} </strong>}
          {line.reason ? say(line.reason) : line.stage !== 'decide' && !unknown && t(todo)}
        </span>
        {line.check && <Checked check={line.check} />}
        {line.work?.reason && <span className="small season-late">{say(line.work.reason)}</span>}
      </span>
      <span className="season-drawing">
        {line.ledger ? (
          <LedgerLine ledger={line.ledger} scale={scale} />
        ) : (
          !unknown && <span className="small dim">{t(line.isInTraining ? 'season.no-crop' : 'season.no-target')}</span>
        )}
        {line.passes.length > 0 && (
          <span className="season-strip" aria-hidden>
            <YearStrip passes={line.passes} names={season.passes} today={season.today} at={at} />
          </span>
        )}
      </span>
      {may('money') ? <Work line={line} season={season} /> : <span />}
    </Link>
  );
}

/** What is said of how it is cut: each crew something is said against, else the planting. */
function Checked({ check }: { check: CheckGlance }) {
  const { say } = useReading();
  if (check.against.length > 0)
    return check.against.map(({ name, told }) => (
      <span key={name} className={`small season-check-${told.kind}`} data-test="season-check">
        {markOf(told.kind)} {name}: {say(told.sentence)}
      </span>
    ));
  if (check.kind === 'tooFewCounts') return null;
  return (
    <span className={`small season-check-${check.kind}`} data-test="season-check">
      {markOf(check.kind)} {say(check.sentence)}
    </span>
  );
}

/** Hours of work, and whether they fit before green tip. */
function Work({ line, season }: { line: SeasonLine; season: SeasonView }) {
  const { t, number, told, language } = useReading();
  const { work } = line;
  if (!work) return <span />;
  const late = work.daysLate ?? 0;
  const opens = work.window?.from;
  return (
    <span className="season-time right">
      <span>
        <strong>
          {work.hoursAssumed && '≈ '}
          {number(work.hours, 0)}
        </strong>{' '}
        <span className="unit">{t('unit:h')}</span>
      </span>
      {work.doneShare > 0 && (
        <span className="small">{t('season.done', { share: told(work.doneShare, 'share', 0) })}</span>
      )}
      {late > 0 ? (
        <span className="small season-late">▲ {t('season.days-late', { count: late })}</span>
      ) : opens && opens > season.today ? (
        <span className="small dim">{t('season.from', { day: dayOf(opens, language) })}</span>
      ) : (
        <span className="small dim">
          {work.daysToGreenTip === null
            ? t('season.no-green-tip')
            : work.daysToGreenTip >= 0
              ? t('season.green-tip', { count: work.daysToGreenTip })
              : t('season.after-green-tip')}
        </span>
      )}
    </span>
  );
}
