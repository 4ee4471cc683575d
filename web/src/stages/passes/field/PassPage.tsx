import type { KeptKit } from '../../../field/queue';
import { LeaderDrawing } from '../../../drawings/LeaderDrawing';
import { PlantingBar } from '../../../field/PlantingBar';
import { WithKit } from '../../../field/WithKit';
import { useDays } from '../../../words/useDays';
import { useReading } from '../../../words/useReading';
import { Outlook } from '../Outlook';
import { PassCardText } from '../PassCardText';
import '../passes.css';
import './pass.css';

/** The passes at hand with their cards, as they were taken along: readable without signal. */
export function PassPage() {
  return <WithKit page={(kept) => <Passes key={kept.id} kept={kept} />} />;
}

function Passes({ kept }: { kept: KeptKit }) {
  const { t } = useReading();
  const day = useDays();
  // One taken along by an earlier Rama has none.
  const { passes = [], today } = kept.kit as Partial<KeptKit['kit']>;
  return (
    <>
      <PlantingBar kit={kept.kit} at="pass" />
      <main className="field-main">
        {today && <p className="small dim">{t('passes.field-as-of', { day: day(today) })}</p>}
        {passes.length === 0 && <p>{t('passes.field-none')}</p>}
        {passes.map((pass) => (
          <article key={pass.id} className="field-pass" lang={pass.card.language} data-test={`field-pass-${pass.id}`}>
            {pass.state === 'late' && <p className="passes-state-late">▲ {t('passes.state.late')}</p>}
            {pass.outlook && <Outlook outlook={pass.outlook} />}
            <PassCardText card={pass.card} />
            {pass.card.leader && (
              <LeaderDrawing leader={pass.card.leader} width={260} height={620} label={pass.card.leaderCaption} />
            )}
          </article>
        ))}
      </main>
    </>
  );
}
