import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answered, api } from '../../api/client';
import { useReading } from '../../words/useReading';

/** The crop to come of all plantings: tonnes first, then each with what is known of it and what thinning asks for. */
export function CropsToCome() {
  const { t, told, number, say } = useReading();
  const crops = useQuery({ queryKey: ['crops'], queryFn: () => answered(api.GET('/api/v1/crops')) });
  if (!crops.data || crops.data.lines.length === 0) return null;
  const { season, lines, packedT, thinningHours } = crops.data;
  return (
    <section>
      <h2>{t('crops.title', { season })}</h2>
      <p data-test="crops">
        <span className="result-big">{told(packedT, 't', 0)}</span>{' '}
        {t('crops.packed', { hours: told(thinningHours, 'h', 0) })}
      </p>
      <details className="crops-lines">
        <summary>{t('crops.all', { count: lines.length })}</summary>
        <table className="figures results-plantings" data-test="crops-lines">
          <thead>
            <tr>
              <th>{t('results.planting')}</th>
              <th>{t('crops.known')}</th>
              <th className="number">{t('crops.fruit')}</th>
              <th className="number">{t('crops.wanted')}</th>
              <th className="number">{t('results.came')}</th>
              <th className="number">{t('crops.range')}</th>
              <th>{t('crops.thinning')}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.planting}>
                <td>
                  <Link to={`/plantings/${line.planting}/result`}>
                    <strong>{line.code}</strong> {line.name}
                  </Link>{' '}
                  <span className="dim">{line.variety}</span>
                </td>
                <td>{t(`crop.at.${line.at}`)}</td>
                <td className="number">{number(line.fruit, 0)}</td>
                <td className="number">{number(line.fruitWanted, 0)}</td>
                <td className="number">{told(line.packedT, 't', 1)}</td>
                <td className="number">
                  {told(line.lowT, 't', 1)} – {told(line.highT, 't', 1)}
                </td>
                <td>
                  {line.advice && <strong>{say(line.advice)} </strong>}
                  {line.thinning && say(line.thinning)}{' '}
                  {line.thinningHours !== null && line.thinningHours > 0 && told(line.thinningHours, 'h', 0)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
