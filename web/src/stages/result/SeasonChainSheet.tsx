import type { PlantingView } from '../../api/client';
import { YearChain } from '../../drawings/YearChain';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { useReading } from '../../words/useReading';

type PastChain = PlantingView['chains'][number];

/** What came of a season: the sentence, then step by step. */
export function SeasonChainSheet({ of }: { of: PastChain | null }) {
  const { t, say, told } = useReading();
  if (!of?.chain) return <p className="sheet dim">{t('chain.waiting')}</p>;
  const { chain } = of;
  return (
    <div className="sheet" data-test="season-chain">
      <p className="chain-sentence">
        <Why main steps={chain.steps}>
          {say(chain.sentence)}
        </Why>
      </p>
      {of.wantedTPerHa !== null && of.cameTPerHa !== null && (
        <p>
          <span className="result-big">{told(of.cameTPerHa, 't/ha', 1)}</span>{' '}
          {t('chain.packed-of', { wanted: told(of.wantedTPerHa, 't/ha', 1) })}
        </p>
      )}
      <YearChain chain={chain} tonnes={of.tPerHaByLink} />
      <Notices notices={chain.warnings} />
      {of.isOfPlan && <p className="small dim">{t('chain.of-plan')}</p>}
    </div>
  );
}
