import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Button, Segmented } from 'antd';
import { lazy, Suspense, useDeferredValue, useEffect, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import {
  api,
  answered,
  RequestError,
  type CatalogueView,
  type PlantingView,
  type SystemChoice,
  type SystemChoiceEntry,
} from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { Choice } from '../../entry/Choice';
import { fieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { problemText } from '../../entry/problemText';
import { titleOf } from '../../planting/titleOf';
import { Trouble } from '../../Trouble';
import '../../words/prescribe';
import { useReading } from '../../words/useReading';
import { useCatalogue } from '../estate/useCatalogue';
import { useSeason } from '../season/useSeason';
import { ChoiceTable } from './ChoiceTable';
import { measures, type Measure } from './choiceMeasures';
import './choice.css';

const YearsChart = lazy(() => import('./YearsChart'));

const MOST = 4;

const shared: FormSpec = { wage: 'number', pricePerKg: 'number', discountPercent: 'number' };
const each: FormSpec = {
  rowSpacing: { amount: 'm' },
  treeSpacing: { amount: 'm' },
  grownYield: { amount: 't/ha' },
  treePrice: 'number',
  supportPerHa: 'number',
};

type Asked = NonNullable<SystemChoiceEntry['systems']>[number];

interface Chosen {
  id: string;
  draft: Draft;
}

/** Systems side by side over fifteen leaves, from a planting or from scratch. */
export function ChoicePage() {
  const { t } = useReading();
  const [search] = useSearchParams();
  const id = search.get('planting');
  const catalogue = useCatalogue();
  const planting = useQuery({
    queryKey: ['planting', id, null],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}', { params: { path: { id: id! } } })),
    enabled: id !== null,
  });
  useEffect(() => {
    document.title = `${t('choice.title')} · Rama`;
  }, [t]);
  const failed = catalogue.error ?? planting.error;
  if (failed) return <Trouble error={failed} retry={() => void catalogue.refetch()} />;
  if (!catalogue.data || (id !== null && !planting.data)) return <p className="waiting">{t('loading')}</p>;
  return <Choosing catalogue={catalogue.data} planting={planting.data ?? null} />;
}

function Choosing({ catalogue, planting }: { catalogue: CatalogueView; planting: PlantingView | null }) {
  const reading = useReading();
  const { t, local, language } = reading;
  const currency = useSeason().data?.currency ?? null;
  const variety = planting?.planting.variety ?? null;
  const crop = catalogue.varieties.find((v) => v.name === variety)?.crop ?? 'apple';
  const fitting = catalogue.systems.filter((s) => s.crops.includes(crop));
  const [chosen, setChosen] = useState<Chosen[]>(() => {
    const own = planting?.planting.system;
    const first = fitting.find((s) => s.id === own) ?? fitting[0]!;
    const other =
      fitting.find((s) => s.id === 'multi-leader-wall' && s.id !== first.id) ?? fitting.find((s) => s.id !== first.id);
    const ground = planting && {
      rowSpacing: planting.planting.rowSpacing,
      treeSpacing: planting.planting.treeSpacing,
    };
    return [first, other]
      .filter((s) => s !== undefined)
      .map((s) => ({
        id: s.id,
        draft: toDraft(each, s.id === own && ground ? ground : {}, reading),
      }));
  });
  const [common, setCommon] = useState<Draft>(() => toDraft(shared, {}, reading));
  const [measure, setMeasure] = useState<Measure>('hoursTo');
  const entry: SystemChoiceEntry = {
    ...readDraft<Pick<SystemChoiceEntry, 'wage' | 'pricePerKg' | 'discountPercent'>>(shared, common, language).entry,
    systems: chosen.map((c) => ({ system: c.id, ...readDraft<Omit<Asked, 'system'>>(each, c.draft, language).entry })),
    variety,
    rootstock: planting?.planting.rootstock ?? null,
  };
  const settled = useDeferredValue(entry);
  const choice = useQuery({
    queryKey: ['system-choice', settled],
    queryFn: () => answered(api.POST('/api/v1/calculations/system-choice', { body: settled })) as Promise<SystemChoice>,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const problems = choice.error instanceof RequestError ? (choice.error.problem.problems ?? []) : [];
  const problem = (path: string) => {
    const found = problems.find((p) => p.field === path);
    return found && problemText(found, reading);
  };
  const money = (per: string) => `${currency ?? t('choice.money')}${per}`;
  const form = fieldControls('choice', common, setCommon, problem, t, () => undefined);
  const shown = measures.filter((m) => m !== 'marginTo' || choice.data?.systems[0]?.leaves[0]?.margin != null);
  const at = shown.includes(measure) ? measure : 'hoursTo';
  return (
    <main className="page compare">
      <div className="stage-head">
        <h1>{planting ? t('choice.of', { planting: titleOf(planting.planting) }) : t('choice.title')}</h1>
        <span className="no-print choice-links">
          {planting ? (
            <Link to={`/plantings/${planting.id}/training`}>← {t('training.title')}</Link>
          ) : (
            <Link to="/catalogue/systems">← {t('systems.title')}</Link>
          )}
          <Button
            onClick={() => {
              window.print();
            }}
          >
            {t('card.print')}
          </Button>
        </span>
      </div>
      <div className="choice-columns">
        <form
          className="choice-form no-print"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
          }}
        >
          {chosen.map((c, i) => {
            const controls = fieldControls(
              `choice.${i}`,
              c.draft,
              (draft) => {
                setChosen(chosen.map((x, j) => (j === i ? { ...x, draft } : x)));
              },
              (path) => problem(`systems[${i}].${path}`),
              t,
              () => undefined,
            );
            const known = choice.data?.systems.find((s) => s.id === c.id);
            return (
              <fieldset key={i} className={`choice-system choice-${i}`} data-test={`choice-${i}`}>
                <div className="choice-name">
                  <span className={`choice-key choice-key-${i}`} aria-hidden />
                  <Choice
                    label={t('choice.system')}
                    value={c.id}
                    options={fitting
                      .filter((s) => s.id === c.id || !chosen.some((x) => x.id === s.id))
                      .map((s) => ({ value: s.id, label: local(s.name) }))}
                    onChange={(next) => {
                      setChosen(chosen.map((x, j) => (j === i ? { id: next, draft: toDraft(each, {}, reading) } : x)));
                    }}
                  />
                  {chosen.length > 1 && (
                    <Button
                      size="small"
                      aria-label={t('systems.take-out')}
                      onClick={() => {
                        setChosen(chosen.filter((_, j) => j !== i));
                      }}
                    >
                      ×
                    </Button>
                  )}
                </div>
                {known?.note && <p className="small">▲ {local(known.note)}</p>}
                {problem(`systems[${i}].system`) && (
                  <p className="field-problem" role="alert">
                    {problem(`systems[${i}].system`)}
                  </p>
                )}
                <div className="choice-pair">
                  {controls.input('rowSpacing', ['m', 'ft'], {
                    placeholder: known && reading.amount(known.rowM, 'm').number,
                  })}
                  {controls.input('treeSpacing', ['m', 'ft'], {
                    placeholder: known && reading.amount(known.treeM, 'm').number,
                  })}
                </div>
                <details>
                  <summary className="small">{t('choice.more')}</summary>
                  {controls.input('grownYield', ['t/ha', 'kg/ha', 'ton/ac'], {
                    label: t('choice.grown'),
                    placeholder: known && reading.amount(known.leaves.at(-1)!.cropT, 't/ha').number,
                  })}
                  {controls.input('treePrice', [money(t('choice.per-tree'))], { label: t('choice.tree-price') })}
                  {controls.input('supportPerHa', [money('/ha')], { label: t('choice.support') })}
                </details>
              </fieldset>
            );
          })}
          {chosen.length < Math.min(MOST, fitting.length) && (
            <Button
              data-test="add-choice"
              onClick={() => {
                const next = fitting.find((s) => !chosen.some((c) => c.id === s.id))!;
                setChosen([...chosen, { id: next.id, draft: toDraft(each, {}, reading) }]);
              }}
            >
              {t('choice.add')}
            </Button>
          )}
          <div className="choice-pair choice-shared">
            {form.input('wage', [money('/h')], {
              label: t('choice.wage'),
              placeholder: choice.data && reading.number(choice.data.wage),
            })}
            {form.input('pricePerKg', [money('/kg')], { label: t('choice.price'), hint: t('choice.price-hint') })}
            {form.input('discountPercent', ['%'], {
              label: t('choice.discount'),
              placeholder: choice.data && reading.number(choice.data.rate * 100),
            })}
          </div>
        </form>
        <section className="choice-result">
          {choice.data && (
            <>
              <ul className="choice-told" data-test="choice-told">
                {choice.data.systems.slice(1).map((s) => {
                  const crossing = choice.data.crossings.find((c) => c.id === s.id)!;
                  const names = { first: local(choice.data.systems[0]!.name), other: local(s.name) };
                  return (
                    <li key={s.id}>
                      {crossing.hoursLeaf == null
                        ? t('choice.no-crossing', names)
                        : t('choice.hours-cross', { ...names, leaf: crossing.hoursLeaf })}
                      {crossing.marginLeaf != null && ` ${t('choice.margin-cross', { leaf: crossing.marginLeaf })}`}
                    </li>
                  );
                })}
              </ul>
              <Segmented
                className="no-print"
                value={at}
                onChange={setMeasure}
                options={shown.map((m) => ({ value: m, label: t(`choice.measure.${m}`) }))}
              />
              <Suspense fallback={<p className="waiting">{t('loading')}</p>}>
                <YearsChart choice={choice.data} measure={at} currency={currency} />
              </Suspense>
              <ChoiceTable choice={choice.data} currency={currency} />
              <Notices notices={choice.data.warnings} />
            </>
          )}
        </section>
      </div>
    </main>
  );
}
