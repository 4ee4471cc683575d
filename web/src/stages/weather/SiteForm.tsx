import { api, answered, type SiteEntry, type SiteView } from '../../api/client';
import { Choice } from '../../entry/Choice';
import type { FormSpec } from '../../entry/draft';
import { SaveLine } from '../../entry/SaveLine';
import { useEntryForm } from '../../entry/useEntryForm';
import { useReading } from '../../words/useReading';

const spec: FormSpec = { latitude: 'number', longitude: 'number', zone: 'text' };
const months = Array.from({ length: 12 }, (_, i) => i + 1);

/** Where a site lies, what its year is like, and where its weather is read. */
export function SiteForm({ site, sources }: { site: SiteView; sources: string[] }) {
  const { t, language } = useReading();
  const form = useEntryForm<SiteEntry>({
    of: `site ${site.id}`,
    section: 'site',
    spec,
    standing: site.site,
    put: (entry) =>
      answered(
        api.PUT('/api/v1/sites/{id}', {
          params: { path: { id: site.id } },
          body: { version: site.version, site: entry },
        }),
      ),
  });
  const { fields, chosen, choose, problem } = form;
  const { snow = false, source = null } = chosen;
  const name = new Intl.DateTimeFormat(language, { month: 'long', timeZone: 'UTC' });
  const month = (field: 'stormMonth' | 'hotMonth', label: string) => (
    <div className="field">
      <span className="field-label" aria-hidden>
        {label}
      </span>
      <Choice
        label={label}
        value={chosen[field] == null ? '' : String(chosen[field])}
        empty={t('weather.no-month')}
        onChange={(m) => {
          choose({ [field]: m === '' ? null : Number(m) });
        }}
        options={months.map((m) => ({ value: String(m), label: name.format(new Date(Date.UTC(2027, m - 1, 15))) }))}
      />
    </div>
  );
  // One that is gone from the server stays to be seen.
  const known = source !== null && !sources.includes(source) ? [...sources, source] : sources;
  return (
    <details className="weather-form">
      <summary>{t('weather.site')}</summary>
      <form
        className="fields"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          form.save();
        }}
      >
        {fields.input('latitude', ['°'], { label: t('weather.latitude'), hint: t('weather.place-hint') })}
        {fields.input('longitude', ['°'], { label: t('weather.longitude') })}
        {fields.input('zone', [], { numeric: false, label: t('weather.zone'), hint: t('weather.zone-hint') })}
        {month('stormMonth', t('weather.storm'))}
        {month('hotMonth', t('weather.hot'))}
        <div className="field">
          <span className="field-label" aria-hidden>
            {t('weather.source')}
          </span>
          <Choice
            label={t('weather.source')}
            value={source ?? ''}
            empty={t('weather.source-none')}
            invalid={problem('source') !== undefined}
            onChange={(next) => {
              choose({ source: next === '' ? null : next });
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
            checked={snow}
            onChange={(e) => {
              choose({ snow: e.target.checked });
            }}
          />{' '}
          {t('weather.snow')}
        </label>
        <SaveLine of={form} test="save-site" />
      </form>
    </details>
  );
}
