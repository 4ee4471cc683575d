import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, answered, type PruningCard } from '../../api/client';
import { SpindleSketch } from '../../drawings/SpindleSketch';
import { Trouble } from '../../Trouble';
import type { Language } from '../../units/format';
import { useReading } from '../../words/useReading';
import './card.css';

type Paper = 'a4' | 'letter';

/** The page for the row: preview on screen, printed by the browser. Its language is the crew's, not the reader's. */
export function CardPage() {
  const { t, language: reader } = useReading();
  const { id } = useParams();
  const [language, setLanguage] = useState<Language>(reader);
  const [paper, setPaper] = useState<Paper>('a4');
  const card = useQuery({
    queryKey: ['card', id, language],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/card', { params: { path: { id: id! }, query: { language } } })),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  useEffect(() => { if (card.data) document.title = `${card.data.block} · ${card.data.headline}`; }, [card.data]);
  if (card.error) return <Trouble error={card.error} retry={() => void card.refetch()} />;
  return (
    <main className="card-page">
      <div className="card-tools no-print">
        <Link to={`/plantings/${id}/prescribe`}>← {t('card.back')}</Link>
        <Segmented value={language} onChange={setLanguage} options={[{ value: 'en', label: 'English' }, { value: 'es', label: 'Español' }]} />
        <Segmented value={paper} onChange={setPaper} options={[{ value: 'a4', label: 'A4' }, { value: 'letter', label: 'Letter' }]} />
        <Button type="primary" onClick={() => { window.print(); }} disabled={!card.data}>{t('card.print')}</Button>
      </div>
      {card.data ? <Card card={card.data} paper={paper} /> : <p className="waiting">{t('loading')}</p>}
    </main>
  );
}

function Card({ card, paper }: { card: PruningCard; paper: Paper }) {
  return (
    <article className={`card card-${paper}`} lang={card.language} data-test="the-card">
      <header className="card-head">
        <h1>{card.block}</h1>
        <p>{card.about}</p>
      </header>
      <section className="card-what">
        <h2>{card.headline}</h2>
        <p>{card.perLimb}</p>
      </section>
      <section className="card-numbers">
        {card.numbers.map((n, i) => <div key={i} className={i === 1 ? 'card-main-number' : ''}><b>{n.value}</b><span>{n.caption}</span></div>)}
        <p>{card.perTree}</p>
      </section>
      <div className="card-body">
        <section>
          <h3>{card.cutsHeading}</h3>
          <ol className="card-cuts">
            {card.cuts.map((cut) => (
              <li key={cut.number}>
                <span className="card-tag">{cut.number}</span>
                <div>
                  <p className="card-cut-head"><strong>{cut.name}</strong> <span>{cut.howMany}{cut.falls && ` · ${cut.falls}`}</span></p>
                  <p>{cut.lookFor} {cut.how}</p>
                  {cut.caution && <p className="card-caution">▲ {cut.caution}</p>}
                </div>
              </li>
            ))}
          </ol>
        </section>
        <figure className="card-drawing">
          <SpindleSketch cuts={card.cuts} />
          <figcaption>{card.drawingCaption}</figcaption>
        </figure>
      </div>
      <p className="card-stop">{card.stop}</p>
      <p className="card-look">{card.look}</p>
      <ul className="card-notes">{card.notes.map((note) => <li key={note}>{note}</li>)}</ul>
      <p><strong>{card.keepHeading}:</strong> {card.keep.join('; ')}.</p>
      <footer>
        <p><strong>{card.safetyHeading}.</strong> {card.safety}</p>
        <p className="card-basis">{card.basis} · Rama</p>
      </footer>
    </article>
  );
}
