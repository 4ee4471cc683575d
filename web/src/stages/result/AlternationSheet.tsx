import { Link } from 'react-router';
import type { PlantingView } from '../../api/client';
import { Notices } from '../../entry/Notices';
import { Why } from '../../entry/Why';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { useDesk } from '../target/useDesk';
import { Wide } from '../../look/Wide';

/** Whether heavy and light years take turns, what was done in each, and what it means for the coming one. */
export function AlternationSheet() {
  const { t, number, say } = useReading();
  const { view } = usePlantingWork();
  const { alternation, advice, years } = view.ahead;
  // What pays year in, year out, for those who are told money.
  const ahead = useDesk()?.margin?.ahead;
  return (
    <aside className="sheet" data-test="bearing">
      <h2>{t('bearing.title')}</h2>
      {advice && (
        <p data-test="bearing-advice">
          <strong>{say(advice)}</strong>
        </p>
      )}
      {ahead && (
        <p data-test="bearing-next">
          {say(ahead)} <Link to={`/plantings/${view.id}/target`}>{t('bearing.target')}</Link>
        </p>
      )}
      {alternation ? (
        <dl className="chain">
          <div>
            <dt>{t('result.alternation')}</dt>
            <dd>
              <Why main steps={alternation.steps}>
                <span className="big">{number(alternation.index, 2)}</span>
              </Why>
            </dd>
          </div>
          <div>
            <dt>{t('result.pairs')}</dt>
            <dd className="value">{alternation.pairs}</dd>
          </div>
          <div>
            <dt>{t('result.verdict')}</dt>
            <dd>{t(alternation.alternates ? 'result.alternates' : 'result.steady')}</dd>
          </div>
        </dl>
      ) : (
        <p className="dim">{t('result.waiting')}</p>
      )}
      <Notices notices={alternation?.warnings ?? []} />
      {years.length > 0 && <Years years={years} />}
    </aside>
  );
}

function Years({ years }: { years: PlantingView['ahead']['years'] }) {
  const { t, number, told } = useReading();
  const count = (of: number | null) => (of === null ? '–' : number(of, 0));
  return (
    <>
      <Wide>
        <table className="figures bearing-years">
          <thead>
            <tr>
              <th>{t('result.season')}</th>
              <th className="number">{t('bearing.left')}</th>
              <th className="number">{t('bearing.thinned')}</th>
              <th className="number">{t('bearing.fruit')}</th>
              <th className="number">{t('bearing.yield')}</th>
              <th className="number">{t('bearing.return')}</th>
            </tr>
          </thead>
          <tbody>
            {years.map((y) => (
              <tr key={y.season}>
                <td>{y.season}</td>
                <td className="number">{count(y.budsLeft)}</td>
                <td className="number">{count(y.clustersThinned)}</td>
                <td className="number">{count(y.fruitPerTree)}</td>
                <td className="number">{y.tPerHa === null ? '–' : told(y.tPerHa, 't/ha', 1)}</td>
                <td className="number">{count(y.returnBuds)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Wide>
      <p className="small dim">{t('bearing.per-tree')}</p>
    </>
  );
}
