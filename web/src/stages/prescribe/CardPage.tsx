import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, answered, type PruningCard } from '../../api/client';
import { CardCuts } from './CardCuts';
import { CardTape } from './CardTape';
import { CardTree } from './CardTree';
import { Trouble } from '../../Trouble';
import type { Language } from '../../units/format';
import type { UnitSystem } from '../../units/system';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import './card.css';

/** With more cuts than these the card is set closer, and closer still, to stay on its page. */
const MOST_LOOSE = 1;
const MOST_DENSE = 6;

type Paper = 'a4' | 'letter';

const UNITS: { value: UnitSystem; label: string }[] = [
  { value: 'metric', label: 'm · cm' },
  { value: 'us', label: 'ft · in' },
];

const keptCard = (id: string, card: string) =>
  answered(api.GET('/api/v1/plantings/{id}/cards/{card}', { params: { path: { id, card } } }));

const newCard = (id: string, query: { language: Language; units: UnitSystem; pass?: string }) =>
  answered(api.GET('/api/v1/plantings/{id}/card', { params: { path: { id }, query } }));

/** The page for the row: preview on screen, printed by the browser. Its language is the crew's, not the reader's. */
export function CardPage() {
  const { t, words: reader, system } = useReading();
  const { id } = useParams();
  const [language, setLanguage] = useState<Language>(reader);
  const [units, setUnits] = useState<UnitSystem>(system);
  const [paper, setPaper] = useState<Paper>(system === 'us' ? 'letter' : 'a4');
  // A card handed out is shown as it was printed; any other is written anew from the plan.
  const [search] = useSearchParams();
  const issued = search.get('issued');
  const pass = search.get('pass') ?? undefined;
  const card = useQuery({
    queryKey: ['card', id, language, units, issued, pass],
    queryFn: () => (issued ? keptCard(id!, issued) : newCard(id!, { language, units, pass })) as Promise<PruningCard>,
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  useEffect(() => {
    if (card.data) document.title = `${card.data.block} · ${card.data.headline}`;
  }, [card.data]);
  if (card.error) return <Trouble error={card.error} retry={() => void card.refetch()} />;
  return (
    <main className="card-page">
      <div className="card-tools no-print">
        <Link to={`/plantings/${id}/prescribe`}>← {t('card.back')}</Link>
        {!issued && (
          <Segmented
            value={language}
            onChange={setLanguage}
            options={[
              { value: 'en', label: 'English' },
              { value: 'es', label: 'Español' },
            ]}
          />
        )}
        {!issued && <Segmented value={units} onChange={setUnits} options={UNITS} />}
        <Segmented
          value={paper}
          onChange={setPaper}
          options={[
            { value: 'a4', label: 'A4' },
            { value: 'letter', label: 'Letter' },
          ]}
        />
        <Button
          type="primary"
          onClick={() => {
            window.print();
          }}
          disabled={!card.data}
        >
          {t('card.print')}
        </Button>
      </div>
      {card.data ? <Sheets card={card.data} paper={paper} /> : <p className="waiting">{t('loading')}</p>}
    </main>
  );
}

function Sheets({ card, paper }: { card: PruningCard; paper: Paper }) {
  return (
    <>
      <Card card={card} paper={paper} />
      {card.tape && <CardTape card={card} tape={card.tape} paper={paper} />}
    </>
  );
}

function Card({ card, paper }: { card: PruningCard; paper: Paper }) {
  const gaugeClasses = card.gaugeClasses ?? [];
  const perLimb = card.classes.some((k) => k.perLimb);
  const leaves = card.classes.some((k) => k.leave);
  const told = card.cuts.map((c, i) => ({ cut: c, i })).filter(({ i }) => card.classes.some((k) => k.cuts[i] !== ''));
  const made = card.cuts.filter((c) => c.made).length;
  const setting = made > MOST_DENSE ? ' card-dense card-close' : made > MOST_LOOSE ? ' card-dense' : '';
  return (
    <article className={`card card-${paper}${setting}`} lang={card.language} data-test="the-card">
      <header className="card-head">
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
                    <th />
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
                <th />
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
        </p>
        <p className="card-basis">{card.basis} · Rama</p>
      </footer>
    </article>
  );
}
