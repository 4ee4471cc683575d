import type { PassCard } from '../../api/client';
import { CardCuts } from '../prescribe/CardCuts';

/** What a pass asks for, in the words of its card. */
export function PassCardText({ card }: { card: PassCard }) {
  const day = new Intl.DateTimeFormat(card.language, { day: 'numeric', month: 'long', timeZone: 'UTC' });
  return (
    <>
      <h2>{card.pass}</h2>
      {card.headline !== '' && <p className="pass-card-headline">{card.headline}</p>}
      {card.what !== '' && <p>{card.what}</p>}
      {card.lines.length > 0 && (
        <ul className="pass-card-lines">
          {card.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <p>
        {card.from && card.to && (
          <strong>
            {day.format(new Date(card.from))} – {day.format(new Date(card.to))}
          </strong>
        )}{' '}
        · {card.hands}
      </p>
      {card.days.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      {card.cuts.length > 0 && (
        <>
          <h3>{card.cutsHeading}</h3>
          <CardCuts cuts={card.cuts} />
          <p className="card-stop">{card.stop}</p>
          <p>
            <strong>{card.keepHeading}:</strong> {card.keep.join('; ')}.
          </p>
        </>
      )}
      <footer>
        <p>
          <strong>{card.safetyHeading}.</strong> {card.safety.join(' ')}
        </p>
      </footer>
    </>
  );
}
