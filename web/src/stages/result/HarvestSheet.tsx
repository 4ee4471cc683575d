import { Button } from 'antd';
import type { HarvestLineEntry, PlantingView } from '../../api/client';
import { useDays } from '../../words/useDays';
import { useReading } from '../../words/useReading';

interface AsRead {
  /** Lines of the season as they were read. */
  lines: readonly HarvestLineEntry[];
  /** Places of those that go when the record is saved. */
  gone: ReadonlySet<number>;
  /** Takes lines out; null for those who may not. */
  onGone: ((gone: ReadonlySet<number>) => void) | null;
}

/** A season as the pack-house told it: packed first, then pick by pick and grade by grade. */
export function HarvestSheet({
  of,
  ...read
}: {
  of: PlantingView['harvests'][number] | null;
} & AsRead) {
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
      <HarvestLines {...read} />
    </section>
  );
}

/** Line by line as the file had it: one read in twice, or of another planting, is taken out here. */
function HarvestLines({ lines, gone, onGone }: AsRead) {
  const { t, number, unitName } = useReading();
  const day = useDays();
  return (
    <details data-test="harvest-lines">
      <summary>{t('harvest.lines', { count: lines.length })}</summary>
      <table className="figures">
        <thead>
          <tr>
            <th>{t('harvest.pick')}</th>
            <th>{t('harvest.day')}</th>
            <th>{t('harvest.grade')}</th>
            <th className="number">{t('harvest.picked')}</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => (
            <tr key={i} className={gone.has(i) ? 'harvest-gone' : undefined}>
              <td>{line.pick ?? 1}</td>
              <td>{line.day ? day(line.day) : '–'}</td>
              <td>{line.grade}</td>
              <td className="number">
                {line.mass?.value == null ? '–' : `${number(line.mass.value, 1)} ${unitName(line.mass.unit ?? '')}`}
              </td>
              <td>
                {onGone && (
                  <Button
                    type="text"
                    size="small"
                    aria-label={[
                      t(gone.has(i) ? 'harvest.put-back' : 'harvest.take-out'),
                      line.grade ?? '',
                      i + 1,
                    ].join(' ')}
                    onClick={() => {
                      const next = new Set(gone);
                      if (!next.delete(i)) next.add(i);
                      onGone(next);
                    }}
                  >
                    {gone.has(i) ? '↶' : '×'}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {gone.size > 0 && <p role="status">{t('harvest.gone', { count: gone.size })}</p>}
    </details>
  );
}
