import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, answered, type RuledTargetView, type TargetEntry, type TargetRule } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { problemText } from '../../entry/problemText';
import { useAttempt } from '../../entry/useAttempt';
import { useReading } from '../../words/useReading';
import { useSeason } from '../season/useSeason';
import { useCatalogue } from '../estate/useCatalogue';
import './target.css';

const whichSpec: FormSpec = {
  variety: 'choice',
  rootstock: 'choice',
  system: 'choice',
  site: 'choice',
  leafFrom: 'number',
  leafTo: 'number',
};
const whatSpec: FormSpec = {
  yield: { amount: 't/ha' },
  fruitSize: { amount: 'g' },
  packOut: { amount: '%' },
  budFactor: 'number',
  'insurance.school': 'choice',
  'insurance.reason': 'text',
};

/** The same target for many plantings: which ones, what, and a table of what it does before anything is set. */
export function RulePage() {
  const reading = useReading();
  const { t, number, say, unitName, language, local } = reading;
  const client = useQueryClient();
  const catalogue = useCatalogue();
  const season = useSeason();
  const [which, setWhich] = useState<Draft>(() => toDraft(whichSpec, {}, reading));
  const [what, setWhat] = useState<Draft>(() => toDraft(whatSpec, {}, reading));
  const [shown, setShown] = useState<{ rule: TargetRule; plantings: RuledTargetView[] } | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const { attempt, problem, unreadable, failure, busy } = useAttempt();
  const edit =
    <T,>(set: (next: T) => void) =>
    (next: T) => {
      set(next);
      setShown(null);
      setDone(null);
    };
  const whichForm = fieldControls('rule', which, edit(setWhich), problem, t, () => void show());
  const whatForm = fieldControls(
    'rule.target',
    what,
    edit(setWhat),
    (path) => problem(`target.${path}`),
    t,
    () => void show(),
  );
  const crop = catalogue.data;
  const names = (values: string[]) => values.map((value) => ({ value, label: value }));
  const sites = [...new Set((season.data?.plantings ?? []).map((p) => p.site))];
  const changing = shown?.plantings.filter((p) => p.changes) ?? [];
  const usable = changing.length > 0 && changing.every((p) => p.problems.length === 0);

  async function show() {
    const [from, target] = [
      readDraft<TargetRule>(whichSpec, which, language),
      readDraft<TargetEntry>(whatSpec, what, language),
    ];
    const wrong = [...from.unreadable, ...target.unreadable.map((path) => `target.${path}`)];
    if (wrong.length > 0) {
      unreadable(wrong);
      return;
    }
    await attempt(async () => {
      const rule = { ...from.entry, target: target.entry };
      setShown({ rule, plantings: await answered(api.POST('/api/v1/targets/preview', { body: rule })) });
    });
  }

  async function setAll() {
    if (!shown) return;
    await attempt(async () => {
      const versions = Object.fromEntries(changing.map((p) => [p.id, p.version]));
      const { count } = await answered(api.POST('/api/v1/targets', { body: { rule: shown.rule, versions } }));
      setDone(count);
      setShown(null);
      await client.invalidateQueries();
    });
  }

  return (
    <main className="planting-main rule-page">
      <h1>{t('rules.title')}</h1>
      <p className="dim">{t('rules.text')}</p>
      <div className="rule-forms">
        <section>
          <h2>{t('rules.which')}</h2>
          <div className="fields">
            {whichForm.choice('variety', names((crop?.varieties ?? []).map((v) => v.name)))}
            {whichForm.choice('rootstock', names((crop?.rootstocks ?? []).map((r) => r.name)))}
            {whichForm.choice(
              'system',
              (crop?.systems ?? []).map((s) => ({ value: s.id, label: local(s.name) })),
            )}
            {whichForm.choice('site', names(sites))}
            {whichForm.input('leafFrom', [], { label: t('rules.leafFrom') })}
            {whichForm.input('leafTo', [], { label: t('rules.leafTo') })}
          </div>
        </section>
        <section>
          <h2>{t('rules.what')}</h2>
          <div className="fields">
            {whatForm.input('yield', [...(crop?.yieldUnits ?? ['t/ha'])])}
            {whatForm.input('fruitSize', crop?.fruitSizeUnits ?? ['g'], {
              unitLabel: (unit) => t(`size:${unit}`, { defaultValue: unitName(unit) }),
            })}
            {whatForm.input('packOut', ['%'])}
            {whatForm.input('budFactor', ['bud/fruit'])}
            {whatForm.choice(
              'insurance.school',
              ['fixed', 'serviceLevel', 'cheapestMistake'].map((value) => ({ value, label: t(`school.${value}`) })),
            )}
            {whatForm.input('insurance.reason', [], { numeric: false })}
          </div>
        </section>
      </div>
      <div className="save-bar">
        <Button type={shown ? 'default' : 'primary'} loading={busy} onClick={() => void show()} data-test="show-rule">
          {t('rules.show')}
        </Button>
        {shown && (
          <Button type="primary" disabled={!usable} loading={busy} onClick={() => void setAll()} data-test="set-rule">
            {t('rules.set', { count: changing.length })}
          </Button>
        )}
        {done !== null && (
          <span role="status" data-test="rule-done">
            {t('rules.done', { count: done })} <Link to="/">{t('place.season')}</Link>
          </span>
        )}
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
      </div>
      {shown &&
        (shown.plantings.length === 0 ? (
          <p className="dim">{t('rules.none')}</p>
        ) : (
          <table className="figures compact rule-table" data-test="rule-table">
            <thead>
              <tr>
                <th rowSpan={2}>{t('rules.planting')}</th>
                <th colSpan={2} className="number">
                  {t('rules.fruit')}
                </th>
                <th colSpan={2} className="number">
                  {t('rules.buds')}
                </th>
                <th rowSpan={2} className="number">
                  {t('rules.density')}
                </th>
                <th rowSpan={2}>{t('rules.warnings')}</th>
              </tr>
              <tr>
                {['fruit', 'buds'].flatMap((of) =>
                  ['before', 'after'].map((when) => (
                    <th key={of + when} className="number">
                      {t(`rules.${when}`)}
                    </th>
                  )),
                )}
              </tr>
            </thead>
            <tbody>
              {shown.plantings.map((p) => (
                <tr key={p.id} className={p.changes ? undefined : 'superseded'}>
                  <th scope="row">
                    <Link to={`/plantings/${p.id}/target`}>{p.code}</Link> {p.name}
                  </th>
                  {[p.fruitBefore, p.fruitAfter, p.budsBefore, p.budsAfter].map((value, i) => (
                    <td key={i} className={i % 2 ? 'number after' : 'number'}>
                      {value == null ? '–' : number(value, 0)}
                    </td>
                  ))}
                  <td className="number">{p.cropDensityAfter == null ? '–' : number(p.cropDensityAfter, 1)}</td>
                  <td>
                    {p.problems.map((wrong) => (
                      <p key={wrong.field} className="field-problem">
                        {t(`field.${wrong.field}`)}: {problemText(wrong, reading)}
                      </p>
                    ))}
                    {p.changes
                      ? p.warnings.map((w) => (
                          <p key={w.code} className="small">
                            {say(w)}
                          </p>
                        ))
                      : t('rules.same')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
    </main>
  );
}
