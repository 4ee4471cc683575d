import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useLocation, useSearchParams } from 'react-router';
import {
  api,
  answered,
  type PlantingView,
  type RuledTargetView,
  type TargetEntry,
  type TargetRule,
} from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { fieldControls } from '../../entry/fieldControls';
import { useAttempt } from '../../entry/useAttempt';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { useSeason } from '../season/useSeason';
import { useCatalogue } from '../estate/useCatalogue';
import { canTake, RuleTable } from './RuleTable';
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
  const like = useSearchParams()[0].get('like');
  const source = useQuery({
    queryKey: ['planting', like, null],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id: like! } } })),
    enabled: like !== null,
  });
  const { t } = useReading();
  if (like !== null && source.error) return <Trouble error={source.error} retry={() => void source.refetch()} />;
  if (like !== null && !source.data) return <p className="waiting">{t('loading')}</p>;
  return <Rule key={like} like={source.data ?? null} />;
}

function Rule({ like }: { like: PlantingView | null }) {
  const reading = useReading();
  const { t, unitName, language, local } = reading;
  const client = useQueryClient();
  const catalogue = useCatalogue();
  const season = useSeason();
  const [which, setWhich] = useState<Draft>(() =>
    toDraft(whichSpec, like ? { variety: like.planting.variety, system: like.planting.system } : {}, reading),
  );
  const [what, setWhat] = useState<Draft>(() => toDraft(whatSpec, like?.target ?? {}, reading));
  const [fromRecords, setFromRecords] = useState(useSearchParams()[0].get('from') === 'records');
  const [chosen, setChosen] = useState<Set<string>>(new Set());
  const [shown, setShown] = useState<{ rule: TargetRule; plantings: RuledTargetView[] } | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const { attempt, problem, unreadable, failure, busy } = useAttempt();
  // Those chosen on the season page; any the rule is for where none were.
  const given = (useLocation().state as { chosen?: string[] } | null)?.chosen;
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
  const setting = shown?.plantings.filter((p) => chosen.has(p.id)) ?? [];

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
      const rule = { ...from.entry, fromRecords, target: target.entry };
      const plantings = await answered(api.POST('/api/v1/targets/preview', { body: rule }));
      const meant = plantings.filter((p) => p.id !== like?.id && (given?.includes(p.id) ?? true));
      setShown({ rule, plantings: meant });
      setChosen(new Set(meant.filter(canTake).map((p) => p.id)));
    });
  }

  async function setAll() {
    if (!shown) return;
    await attempt(async () => {
      const versions = Object.fromEntries(setting.map((p) => [p.id, p.version]));
      const { count } = await answered(api.POST('/api/v1/targets', { body: { rule: shown.rule, versions } }));
      setDone(count);
      setShown(null);
      await client.invalidateQueries();
    });
  }

  return (
    <main className="planting-main rule-page">
      <h1>{like ? t('rules.like', { planting: titleOf(like.planting) }) : t('rules.title')}</h1>
      <p className="dim">
        {given && <strong>{t('rules.given', { count: given.length })} </strong>}
        {t('rules.text')}
      </p>
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
          <label className="rule-records">
            <input
              type="checkbox"
              checked={fromRecords}
              data-test="from-records"
              onChange={(e) => {
                edit(setFromRecords)(e.target.checked);
              }}
            />{' '}
            {t('rules.from-records')}
          </label>
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
          <Button
            type="primary"
            disabled={setting.length === 0}
            loading={busy}
            onClick={() => void setAll()}
            data-test="set-rule"
          >
            {t('rules.set', { count: setting.length })}
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
          <RuleTable plantings={shown.plantings} chosen={chosen} onChosen={setChosen} />
        ))}
    </main>
  );
}
