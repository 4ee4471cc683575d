import { memo } from 'react';
import type { PruningCard } from '../../api/client';
import { CardCode } from './CardCode';
import { CardCuts } from './CardCuts';
import { CardTape } from './CardTape';
import { CardTree } from './CardTree';
import type { Paper } from './CardChoices';
import './card.css';

/** With more cuts than these the card is set closer, and closer still, to stay on its page. */
const MOST_LOOSE = 1;
const MOST_DENSE = 6;

interface SheetsProps {
  card: PruningCard;
  /** Its planting, which a phone is led to. */
  planting: string;
  paper: Paper;
}

/** The pages of a card as they are printed. */
export const CardSheets = memo(function CardSheets({ card, planting, paper }: SheetsProps) {
  return (
    <>
      <Card card={card} planting={planting} paper={paper} />
      {card.tape && <CardTape card={card} tape={card.tape} paper={paper} />}
    </>
  );
});

function Card({ card, planting, paper }: SheetsProps) {
  const gaugeClasses = card.gaugeClasses ?? [];
  const perLimb = card.classes.some((k) => k.perLimb);
  const leaves = card.classes.some((k) => k.leave);
  const told = card.cuts.map((c, i) => ({ cut: c, i })).filter(({ i }) => card.classes.some((k) => k.cuts[i] !== ''));
  const made = card.cuts.filter((c) => c.made).length;
  const setting = made > MOST_DENSE ? ' card-dense card-close' : made > MOST_LOOSE ? ' card-dense' : '';
  return (
    <article className={`card card-${paper}${setting}`} lang={card.language} data-test="the-card">
      <header className="card-head card-coded">
        <div>
          <h1>{card.block}</h1>
          <p>
            {card.about}
            {card.version !== null && card.version !== undefined && (
              <strong>
                {' '}
                · {card.language === 'es' ? 'Prescripción' : 'Prescription'} {card.version}
              </strong>
            )}
          </p>
        </div>
        <CardCode planting={planting} />
      </header>
      <section className="card-what">
        <h2>{card.headline}</h2>
        {card.perLimb !== '' && <p>{card.perLimb}</p>}
      </section>
      <section className="card-numbers">
        {card.numbers.map((n, i) => (
          <div key={i} className={i === 1 ? 'card-main-number' : ''}>
            <b>{n.value}</b>
            <span>{n.caption}</span>
          </div>
        ))}
        <p>{card.perTree}</p>
      </section>
      <div className="card-body">
        <section>
          <h3>{card.cutsHeading}</h3>
          <CardCuts cuts={card.cuts.filter((cut) => cut.made)} />
          {card.cuts.some((cut) => !cut.made) && (
            <p className="card-idle">
              {card.idleHeading}:{' '}
              {card.cuts
                .filter((cut) => !cut.made)
                .map((cut) => cut.name)
                .join('; ')}
              .
            </p>
          )}
        </section>
        <div className="card-side">
          <figure className="card-drawing">
            {card.drawing && <CardTree drawing={card.drawing} units={card.units ?? 'metric'} />}
            {card.drawing && <figcaption>{card.drawingCaption}</figcaption>}
          </figure>
          {card.gauge.length > 0 && (
            <table className="card-gauge">
              <caption>{card.gaugeHeading}</caption>
              {gaugeClasses.length > 0 && (
                <thead>
                  <tr>
                    <td />
                    {gaugeClasses.map((name) => (
                      <th key={name}>{name}</th>
                    ))}
                  </tr>
                </thead>
              )}
              <tbody>
                {card.gauge.map((m) => (
                  <tr key={m.limb}>
                    <th>{m.limb}</th>
                    {(m.byClass ?? [m.buds]).map((buds, i) => (
                      <td key={gaugeClasses[i] ?? i}>
                        <b>{buds}</b>
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </div>
      </div>
      {card.classes.length > 0 && (
        <div className="card-tables">
          <table>
            <caption>{card.classesHeading}</caption>
            <thead>
              <tr>
                <td />
                {leaves && <th>{card.classLeave}</th>}
                {perLimb && <th>{card.perLimbHeading}</th>}
                {told.map(({ cut }) => (
                  <th key={cut.stepId}>
                    <span className="card-tag card-tag-small">{cut.number}</span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {card.classes.map((k) => (
                <tr key={k.name}>
                  <th>
                    <b>{k.name}</b> {k.trunk}
                  </th>
                  {leaves && (
                    <td>
                      <b>{k.leave}</b>
                    </td>
                  )}
                  {perLimb && <td>{k.perLimb}</td>}
                  {told.map(({ cut, i }) => (
                    <td key={cut.stepId}>{k.cuts[i] || '–'}</td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {card.gauge.length > 0 && card.gaugeNote && <p className="card-gauge-note">{card.gaugeNote}</p>}
      {card.measures && card.measures.length > 0 && (
        <p className="card-measures">
          <strong>{card.measuresHeading}:</strong>{' '}
          {card.measures.map((m, i) => (
            <span key={m.name}>
              {i > 0 && ' · '}
              {m.name} <b>{m.value}</b>
              {m.body && ` (${m.body})`}
            </span>
          ))}
        </p>
      )}
      <p className="card-stop">{card.stop}</p>
      <p className="card-look">{card.look}</p>
      <ul className="card-notes">
        {card.notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
      <p>
        <strong>{card.keepHeading}:</strong> {card.keep.join('; ')}.
      </p>
      <footer>
        <p>
          <strong>{card.safetyHeading}.</strong> {card.safety}
        </p>{' '}
        <p className="card-basis">{card.basis} · Rama</p>
      </footer>
    </article>
  );
}
