import type { CrewPlanView, CrewTaskView, LateReason } from '../../api/client';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';
import { useMoney } from './useCrewPlan';

const SHOWN = 40;

/** Each piece of work that is late, with what is done meanwhile and what would bring it in time. */
export function LateList({
  plan,
  chosen,
  onChoose,
}: {
  plan: CrewPlanView;
  chosen: string | null;
  onChoose: (id: string) => void;
}) {
  const { t, local } = useReading();
  const day = useDays();
  const money = useMoney(plan);
  const byId = new Map(plan.tasks.map((w) => [w.id, w]));
  const name = (w: CrewTaskView) => `${w.code} ${local(w.passName).toLowerCase()}`;
  const nobody = plan.tasks.filter((w) => w.unplaced);
  const late = plan.tasks.filter((w) => (w.placed?.daysLate ?? 0) > 0).length;
  return (
    <section className="crew-late" data-test="late-list">
      {plan.conflicts.map((c) => (
        <p key={`${c.task} ${c.other}`} className="crew-clash" role="alert">
          ▲ {t('crew-plan.clash')}:{' '}
          {[c.task, c.other]
            .filter((id) => id !== null)
            .map((id, i) => (
              <span key={id}>
                {i > 0 && `${t('crew-plan.and')} `}
                <button
                  type="button"
                  onClick={() => {
                    onChoose(id);
                  }}
                >
                  <strong>{name(byId.get(id)!)}</strong>
                </button>{' '}
              </span>
            ))}
          · {t(`crew-plan.clash-${c.why}`)}
        </p>
      ))}
      {nobody.map((w) => (
        <p key={w.id} className="crew-clash">
          ▲ {t('crew-plan.unplaced')}:{' '}
          <button
            type="button"
            onClick={() => {
              onChoose(w.id);
            }}
          >
            <strong>{name(w)}</strong>
          </button>
          .{' '}
          {t(`crew-plan.unplaced-${w.unplaced}`, {
            hands: w.needs.map((h) => t(`hands.${h}`)).join(', '),
            site: w.site,
          })}
        </p>
      ))}
      {plan.late.length > 0 && <h2>{t('crew-plan.why')}</h2>}
      <ol>
        {plan.late.slice(0, SHOWN).map((reason) => {
          const w = byId.get(reason.task)!;
          return (
            <li key={reason.task} className={reason.task === chosen ? 'crew-late-chosen' : undefined}>
              <button
                type="button"
                onClick={() => {
                  onChoose(reason.task);
                }}
              >
                <strong>{name(w)}</strong>{' '}
                {t('crew-plan.ends-late', { count: reason.daysLate, day: day(w.placed!.last) })}
                {reason.cost >= 1 && <span className="crew-late-cost"> {money(reason.cost)}</span>}
              </button>
              <p className="small">
                <Because reason={reason} plan={plan} name={(id) => name(byId.get(id)!)} />
              </p>
            </li>
          );
        })}
      </ol>
      {late > SHOWN && <p className="dim">{t('crew-plan.more', { count: late - SHOWN })}</p>}
    </section>
  );
}

function Because({ reason, plan, name }: { reason: LateReason; plan: CrewPlanView; name: (id: string) => string }) {
  const { t } = useReading();
  const crew = plan.crews.find((c) => c.id === reason.crew)?.crew.name ?? '';
  const helps = reason.helps.map((h) => t(`crew-plan.relief-${h.kind}`, { count: h.by }));
  return (
    <>
      {reason.isTooShort && `${t('crew-plan.too-short')} `}
      {reason.instead.length > 0 &&
        `${t('crew-plan.instead', {
          crew,
          list: reason.instead
            .map((o) => `${name(o.task)} (${t('crew-plan.half-days', { count: o.halfDays })})`)
            .join(', '),
        })} `}
      {helps.length > 0 ? t('crew-plan.helps', { list: helps.join(t('crew-plan.or')) }) : t('crew-plan.helps-none')}
    </>
  );
}
