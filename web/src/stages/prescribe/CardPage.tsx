import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, answered, type PruningCard } from '../../api/client';
import { CardSheets } from './CardSheets';
import { CardLanguage, CardPaper, CardUnits, type Paper } from './CardChoices';
import { Trouble } from '../../Trouble';
import type { Language } from '../../units/format';
import type { UnitSystem } from '../../units/system';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';

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
        {!issued && <CardLanguage value={language} onChange={setLanguage} />}
        {!issued && <CardUnits value={units} onChange={setUnits} />}
        <CardPaper value={paper} onChange={setPaper} />
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
        <CardSheets card={card.data} planting={id!} paper={paper} />
      ) : (
        <p className="waiting">{t('loading')}</p>
      )}
    </main>
  );
}
