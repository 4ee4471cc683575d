import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answered, api, type ClosingView } from '../../api/client';
import { useReading } from '../../words/useReading';

type Fact = ClosingView['plantings'][number]['missing'][number];

const facts: readonly Fact[] = ['wanted', 'budsLeft', 'bloom', 'set', 'yield', 'fruitSize', 'packOut', 'girth'];

/** What closing the season fixes in the records, and what they still lack, planting by planting. */
export function Closing() {
  const { t } = useReading();
  const closing = useQuery({
    queryKey: ['season', 'closing'],
    queryFn: () => answered(api.GET('/api/v1/season/closing')),
  });
  if (!closing.data || closing.data.plantings.length === 0) return null;
  const { season, plantings } = closing.data;
  const lacking = facts
    .map((fact) => ({ fact, of: plantings.filter((p) => p.missing.includes(fact)) }))
    .filter(({ of }) => of.length > 0);
  const filled = plantings.filter((p) => p.fills.length > 0).length;
  return (
    <div className="small" data-test="closing">
      {lacking.length > 0 && (
        <>
          <p>{t('closing.missing', { season })}</p>
          {lacking.map(({ fact, of }) => (
            <details key={fact}>
              <summary>
                {t(`closing.fact.${fact}`)} ·{' '}
                <span className="dim">{t('closing.of', { count: of.length, all: plantings.length })}</span>
              </summary>
              <ul className="closing-list">
                {of.map((p) => (
                  <li key={p.planting}>
                    <Link to={`/plantings/${p.planting}/result`}>{p.code}</Link>
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </>
      )}
      {filled > 0 && <p>{t('closing.fills', { count: filled })}</p>}
      <p className="dim">{t('closing.carries')}</p>
    </div>
  );
}
