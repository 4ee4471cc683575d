import type { ReactNode } from 'react';
import { useReading } from '../../words/useReading';

/** The seasons on record, the latest first, to choose one from. */
export function SeasonKeys({
  seasons,
  season,
  onSeason,
  children,
}: {
  seasons: readonly string[];
  season: string | null;
  onSeason: (season: string) => void;
  children?: ReactNode;
}) {
  const { t } = useReading();
  return (
    <div className="season-keys" role="group" aria-label={t('result.season')}>
      {[...new Set(seasons)]
        .sort((a, b) => Number(b) - Number(a))
        .map((s) => (
          <button
            key={s}
            type="button"
            className={s === season ? 'season-key season-key-on' : 'season-key'}
            aria-pressed={s === season}
            onClick={() => {
              onSeason(s);
            }}
          >
            {s}
          </button>
        ))}
      {children}
    </div>
  );
}
