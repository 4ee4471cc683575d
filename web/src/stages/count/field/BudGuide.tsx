import { useReading } from '../../../words/useReading';

const kinds = ['floral', 'leaf', 'dead'] as const;

/** How to tell a bud cut lengthwise: in words, and drawn. */
export function BudGuide() {
  const { t } = useReading();
  return (
    <details className="bud-guide">
      <summary>{t('guide.title')}</summary>
      <ol className="small">
        {[1, 2, 3, 4].map((n) => (
          <li key={n}>{t(`guide.step${n}`)}</li>
        ))}
      </ol>
      <div className="bud-guide-kinds">
        {kinds.map((kind) => (
          <figure key={kind}>
            <CutBud kind={kind} />
            <figcaption>
              <strong>{t(`guide.${kind}`)}</strong>
              <br />
              <span className="small">{t(`guide.${kind}-text`)}</span>
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="small dim">{t('guide.caution')}</p>
    </details>
  );
}

/** A bud cut open: its scales, and what lies in the middle. */
function CutBud({ kind }: { kind: (typeof kinds)[number] }) {
  const wide = kind === 'leaf' ? 13 : 21;
  const outer = `M50 92 C${50 - wide * 1.9} 84 ${50 - wide * 1.8} 44 50 ${kind === 'leaf' ? 12 : 18} C${50 + wide * 1.8} 44 ${50 + wide * 1.9} 84 50 92Z`;
  const inner = `M50 88 C${50 - wide * 1.3} 80 ${50 - wide * 1.2} 48 50 ${kind === 'leaf' ? 22 : 28} C${50 + wide * 1.2} 48 ${50 + wide * 1.3} 80 50 88Z`;
  return (
    <svg viewBox="0 0 100 118" className={`cut-bud cut-bud-${kind}`} aria-hidden>
      <path d="M38 118 L41 90 H59 L62 118Z" className="cut-wood" />
      <path d={outer} className="cut-scale" />
      <path d={inner} className="cut-inside" />
      {kind === 'floral' && (
        <g className="cut-flowers">
          <circle cx="50" cy="46" r="8" />
          <circle cx="40" cy="57" r="6.5" />
          <circle cx="60" cy="57" r="6.5" />
          <circle cx="43" cy="70" r="5.5" />
          <circle cx="57" cy="70" r="5.5" />
          <path d="M50 54V84M41 63l7 12M59 63l-7 12" />
        </g>
      )}
      {kind === 'leaf' && <path className="cut-leaves" d="M50 30V84M45 44C46 58 48 70 49 82M55 44C54 58 52 70 51 82" />}
      {kind === 'dead' && (
        <path className="cut-dead" d="M50 46 C42 50 40 62 44 72 C48 80 53 80 57 71 C60 62 58 51 50 46Z" />
      )}
    </svg>
  );
}
