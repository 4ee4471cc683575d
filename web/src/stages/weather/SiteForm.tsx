import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { api, answered, type SiteEntry, type SiteView } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { Choice } from '../../entry/Choice';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { useReading } from '../../words/useReading';

const spec: FormSpec = { latitude: 'number', longitude: 'number', zone: 'text' };
const months = Array.from({ length: 12 }, (_, i) => i + 1);

/** Where a site lies, what its year is like, and where its weather is read. */
export function SiteForm({ site, sources }: { site: SiteView; sources: string[] }) {
  const reading = useReading();
  const { t, language } = reading;
  const client = useQueryClient();
  const { problem, unreadable, failure, busy, attempt } = useAttempt();
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, site.site, reading));
  const [rest, setRest] = useState({
    snow: site.site.snow ?? false,
    stormMonth: site.site.stormMonth ?? null,
    hotMonth: site.site.hotMonth ?? null,
    source: site.site.source ?? null,
  });
  const save = () => {
    const { entry, unreadable: bad } = readDraft<SiteEntry>(spec, draft, language);
    if (bad.length > 0) {
      unreadable(bad);
      return;
    }
    void attempt(async () => {
      await answered(
        api.PUT('/api/v1/sites/{id}', {
          params: { path: { id: site.id } },
          body: { version: site.version, site: { ...entry, ...rest } },
        }),
      );
    }).then(() => client.invalidateQueries());
  };
  const form = fieldControls('site', draft, setDraft, problem, t, save);
  const name = new Intl.DateTimeFormat(language, { month: 'long', timeZone: 'UTC' });
  const month = (field: 'stormMonth' | 'hotMonth', label: string) => (
    <div className="field">
      <span className="field-label" aria-hidden>
        {label}
      </span>
      <Choice
        label={label}
        value={rest[field] === null ? '' : String(rest[field])}
        empty={t('weather.no-month')}
        onChange={(m) => {
          setRest({ ...rest, [field]: m === '' ? null : Number(m) });
        }}
        options={months.map((m) => ({ value: String(m), label: name.format(new Date(Date.UTC(2027, m - 1, 15))) }))}
      />
    </div>
  );
  // One that is gone from the server stays to be seen.
  const known = rest.source !== null && !sources.includes(rest.source) ? [...sources, rest.source] : sources;
  return (
    <details className="weather-form">
      <summary>{t('weather.site')}</summary>
      <form
        className="fields"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        {form.input('latitude', ['°'], { label: t('weather.latitude'), hint: t('weather.place-hint') })}
        {form.input('longitude', ['°'], { label: t('weather.longitude') })}
        {form.input('zone', [], { numeric: false, label: t('weather.zone'), hint: t('weather.zone-hint') })}
        {month('stormMonth', t('weather.storm'))}
        {month('hotMonth', t('weather.hot'))}
        <div className="field">
          <span className="field-label" aria-hidden>
            {t('weather.source')}
          </span>
          <Choice
            label={t('weather.source')}
            value={rest.source ?? ''}
            empty={t('weather.source-none')}
            invalid={problem('source') !== undefined}
            onChange={(source) => {
              setRest({ ...rest, source: source === '' ? null : source });
            }}
            options={known.map((s) => ({ value: s, label: s }))}
          />
          {problem('source') ? (
            <p className="field-problem" role="alert">
              {problem('source')}
            </p>
          ) : (
            known.length === 0 && <p className="field-hint">{t('weather.no-sources')}</p>
          )}
        </div>
        <label className="weather-check">
          <input
            type="checkbox"
            checked={rest.snow}
            onChange={(e) => {
              setRest({ ...rest, snow: e.target.checked });
            }}
          />{' '}
          {t('weather.snow')}
        </label>
        <div className="save-bar">
          <Button type="primary" htmlType="submit" loading={busy} data-test="save-site">
            {t('save')}
          </Button>
          {failure && (
            <p className="field-problem" role="alert">
              {failure}
            </p>
          )}
        </div>
      </form>
    </details>
  );
}
