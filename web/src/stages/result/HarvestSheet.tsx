import type { PlantingView } from '../../api/client';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';

/** A season as the pack-house told it: packed first, then pick by pick and grade by grade. */
export function HarvestSheet({ of }: { of: PlantingView['harvests'][number] | null }) {
  const { t, told, say } = useReading();
  const day = useDays();
  if (!of) return <p className="small dim">{t('harvest.none')}</p>;
  const { harvest } = of;
  return (
    <section className="harvest" data-test="harvest">
      <h3>{t('harvest.title', { season: of.season })}</h3>
      <p>
        <strong>{told(harvest.packedKg, 'kg', 0)}</strong> {t('harvest.packed', { picked: told(harvest.kg, 'kg', 0) })}
        {harvest.packOut !== null && ` · ${told(harvest.packOut, 'share', 0)}`}
      </p>
      {of.differs && (
        <p className="results-short" role="alert">
          {say(of.differs)}
        </p>
      )}
      <div className="harvest-tables">
        <table className="figures">
          <thead>
            <tr>
              <th>{t('harvest.grade')}</th>
              <th className="number">{t('harvest.picked')}</th>
              <th className="number">{t('harvest.share')}</th>
            </tr>
          </thead>
          <tbody>
            {harvest.grades.map((g) => (
              <tr key={`${g.name}/${g.isPacked}`} className={g.isPacked ? undefined : 'harvest-reject'}>
                <td>
                  {g.name} {!g.isPacked && <span className="small dim">{t('harvest.rejects')}</span>}
                </td>
                <td className="number">{told(g.kg, 'kg', 0)}</td>
                <td className="number">{told(g.share, 'share', 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <table className="figures">
          <thead>
            <tr>
              <th>{t('harvest.pick')}</th>
              <th>{t('harvest.day')}</th>
              <th className="number">{t('harvest.picked')}</th>
              <th className="number">{t('harvest.packed-column')}</th>
            </tr>
          </thead>
          <tbody>
            {harvest.picks.map((p) => (
              <tr key={p.pick}>
                <td>{p.pick}</td>
                <td>{p.day ? day(p.day) : '–'}</td>
                <td className="number">{told(p.kg, 'kg', 0)}</td>
                <td className="number">{told(p.packedKg, 'kg', 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
