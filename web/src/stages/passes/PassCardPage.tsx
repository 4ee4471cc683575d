import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, answered, type PassCard } from '../../api/client';
import { LeaderDrawing } from '../../drawings/LeaderDrawing';
import { Trouble } from '../../Trouble';
import type { Language } from '../../units/format';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { CardTree } from '../prescribe/CardTree';
import '../prescribe/card.css';
import { PassCardText } from './PassCardText';

/** The page for one pass: preview on screen, printed by the browser, in the crew's language. */
export function PassCardPage() {
  const { t, words: reader, system } = useReading();
  const { id, pass } = useParams();
  const [language, setLanguage] = useState<Language>(reader);
  const [branches, setBranches] = useState<'buds' | 'agent'>('buds');
  const card = useQuery({
    queryKey: ['pass-card', id, pass, language, system, branches],
    queryFn: () =>
      answered(
        api.GET('/api/v1/plantings/{id}/passes/{pass}/card', {
          params: { path: { id: id!, pass: pass! }, query: { language, units: system, branches } },
        }),
      ) as Promise<PassCard>,
    placeholderData: keepPreviousData,
  });
  useEffect(() => {
    if (card.data) document.title = `${card.data.block} · ${card.data.pass}`;
  }, [card.data]);
  if (card.error) return <Trouble error={card.error} retry={() => void card.refetch()} />;
  return (
    <main className="card-page">
      <div className="card-tools no-print">
        <Link to={`/plantings/${id}/passes`}>← {t('passes.title')}</Link>
        <Segmented
          value={language}
          onChange={setLanguage}
          options={[
            { value: 'en', label: 'English' },
            { value: 'es', label: 'Español' },
          ]}
        />
        {card.data?.leader && (
          <Segmented
            value={branches}
            onChange={setBranches}
            options={[
              { value: 'buds', label: t('leader.way-buds') },
              { value: 'agent', label: t('leader.way-agent') },
            ]}
          />
        )}
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
      {card.data ? (
        <article
          className={`card card-${system === 'us' ? 'letter' : 'a4'}`}
          lang={card.data.language}
          data-test="pass-card"
        >
          <header className="card-head">
            <h1>{card.data.block}</h1>
            <p>{card.data.about}</p>
          </header>
          <div className={card.data.drawing || card.data.leader ? 'card-body' : undefined}>
            <section>
              <PassCardText card={card.data} />
            </section>
            {card.data.leader && (
              <div className="card-side">
                <figure className="card-drawing">
                  <LeaderDrawing leader={card.data.leader} width={230} height={600} label={card.data.leaderCaption} />
                  <figcaption>{card.data.leaderCaption}</figcaption>
                </figure>
              </div>
            )}
            {card.data.drawing && (
              <div className="card-side">
                <figure className="card-drawing">
                  <CardTree drawing={card.data.drawing} units={system} />
                  <figcaption>{card.data.drawingCaption}</figcaption>
                </figure>
              </div>
            )}
          </div>
        </article>
      ) : (
        <p className="waiting">{t('loading')}</p>
      )}
    </main>
  );
}
