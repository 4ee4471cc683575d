import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type SeasonView } from '../api/client';
import { Choice } from '../entry/Choice';
import { useAttempt } from '../entry/useAttempt';
import { useSeason } from '../stages/season/useSeason';
import { useReading } from '../words/useReading';
import './people.css';
import { ReadingFields } from './ReadingFields';
import { useMay, useSession } from './session';

const monies = [
  'EUR',
  'USD',
  'GBP',
  'CHF',
  'PLN',
  'TRY',
  'ZAR',
  'CLP',
  'ARS',
  'BRL',
  'MXN',
  'AUD',
  'NZD',
  'CAD',
  'CNY',
];

/** Asked once of whoever manages a new estate, above the first page: how they read, and the estate's money. */
export function HowYouRead() {
  const { t, language, setLanguage } = useReading();
  const session = useSession();
  const season = useSeason();
  const client = useQueryClient();
  const may = useMay();
  const { attempt, failure, busy } = useAttempt();
  const [money, setMoney] = useState('EUR');
  if (session.data?.state !== 'signedIn' || !may('season') || season.data?.currency !== null) return null;
  const asked = season.data;
  const done = () =>
    attempt(async () => {
      await saveMoney(asked, money);
      setLanguage(language);
      await client.invalidateQueries({ queryKey: ['season'] });
    });
  return (
    <section className="how-you-read" aria-label={t('how-you-read')} data-test="how-you-read">
      <strong>{t('how-you-read')}</strong>
      <ReadingFields />
      <div className="field">
        <span className="field-label">{t('money')}</span>
        <Choice
          label={t('money')}
          value={money}
          onChange={setMoney}
          options={monies.map((m) => ({ value: m, label: m }))}
        />
      </div>
      <Button type="primary" loading={busy} onClick={() => void done()} data-test="read-so">
        {t('how-you-read.done')}
      </Button>
      {failure && (
        <p className="field-problem" role="alert">
          {failure}
        </p>
      )}
    </section>
  );
}

async function saveMoney(season: SeasonView, currency: string) {
  await answered(
    api.PUT('/api/v1/estate', {
      body: {
        version: season.estateVersion,
        estate: {
          name: season.estate,
          crewHoursPerWeek: season.crewHoursTold,
          bodyMarks: season.bodyMarks,
          currency,
        },
      },
    }),
  );
}
