import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button, Popconfirm } from 'antd';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { api, answered, RequestError, type TakingOut, type TakingOutEntry } from '../../api/client';
import { readDraft, toDraft, type Draft, type FormSpec } from '../../entry/draft';
import { ChoiceField } from '../../entry/Choice';
import { fieldControls } from '../../entry/fieldControls';
import { Notices } from '../../entry/Notices';
import { problemText } from '../../entry/problemText';
import { useAttempt } from '../../entry/useAttempt';
import { Why } from '../../entry/Why';
import { useMay } from '../../people/session';
import { usePlantingWork } from '../../planting/usePlanting';
import { Trouble } from '../../Trouble';
import { useReading } from '../../words/useReading';
import { useSeason } from '../season/useSeason';
import { YearsTabs } from './YearsTabs';
import './training.css';
import './rework.css';

const spec: FormSpec = {
  every: 'number',
  tonnesPerHa: 'number',
  marginPerKg: 'number',
  wage: 'number',
  keptHoursPerHa: 'number',
  firstHoursPerHa: 'number',
  laterHoursPerHa: 'number',
  grubbingPerHa: 'number',
  discountPercent: 'number',
  declinePercent: 'number',
};
const needed = ['tonnesPerHa', 'marginPerKg', 'wage', 'keptHoursPerHa', 'grubbingPerHa'] as const;

/** Taking trees, rows or the block out: what it brings against keeping all, which trees go, and when. */
export function TakingOutStage() {
  const { t } = useReading();
  const { view } = usePlantingWork();
  const may = useMay();
  const begin = useQuery({
    queryKey: ['taking-out-begin', view.id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/taking-out', { params: { path: { id: view.id } } })),
    enabled: may('money'),
    staleTime: Infinity,
  });
  if (begin.error) return <Trouble error={begin.error} retry={() => void begin.refetch()} />;
  if (may('money') && !begin.data) return <p className="waiting">{t('loading')}</p>;
  return <Taking begin={begin.data ?? {}} />;
}

function Taking({ begin }: { begin: TakingOutEntry }) {
  const reading = useReading();
  const { t, language } = reading;
  const { view } = usePlantingWork();
  const may = useMay();
  const currency = useSeason().data?.currency ?? null;
  const [pattern, setPattern] = useState<'tree' | 'row' | 'whole'>('tree');
  const [draft, setDraft] = useState<Draft>(() => toDraft(spec, begin, reading));
  const { entry } = readDraft<TakingOutEntry>(spec, draft, language);
  const asked = useDeferredValue(JSON.stringify({ ...entry, pattern }));
  const isAsked = needed.every((path) => entry[path] != null);
  const compared = useQuery({
    queryKey: ['taking-out', asked],
    queryFn: () => answered(api.POST('/api/v1/calculations/taking-out', { body: JSON.parse(asked) as TakingOutEntry })),
    placeholderData: keepPreviousData,
    enabled: isAsked,
    retry: false,
  });
  const problems = compared.error instanceof RequestError ? (compared.error.problem.problems ?? []) : [];
  const problem = (path: string) => {
    const found = problems.find((p) => p.field === path);
    return found && problemText(found, reading);
  };
  const money = (per: string) => `${currency ?? t('choice.money')}${per}`;
  const form = fieldControls('taking-out', draft, setDraft, problem, t, () => undefined);
  const amount = (path: string, label: string, unit: string) =>
    form.input(path, [unit], { label: t(`taking-out.${label}`), unitLabel: (u) => u });
  const every = entry.every ?? 2;
  return (
    <section className="training">
      <YearsTabs at="taking-out" />
      <div className="stage-head">
        <h2>{t('taking-out.title')}</h2>
        {compared.data && isAsked && <Sum compared={compared.data} money={money('')} />}
      </div>
      {!may('money') ? null : (
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
          }}
        >
          <div className="fields">
            <ChoiceField
              label={t('taking-out.pattern')}
              value={pattern}
              onChange={(p) => {
                setPattern(p as typeof pattern);
              }}
              options={(['tree', 'row', 'whole'] as const).map((p) => ({
                value: p,
                label: t(`taking-out.pattern.${p}`),
              }))}
            />
            {pattern !== 'whole' && form.input('every', [], { label: t('taking-out.every') })}
            {amount('tonnesPerHa', 'tonnes', 't/ha')}
            {amount('marginPerKg', 'margin', money('/kg'))}
            {amount('wage', 'wage', money('/h'))}
            {amount('keptHoursPerHa', 'kept', 'h/ha')}
            {amount('firstHoursPerHa', 'first', 'h/ha')}
            {amount('laterHoursPerHa', 'later', 'h/ha')}
            {amount('grubbingPerHa', 'grubbing', money('/ha'))}
            {amount('discountPercent', 'discount', '%')}
            {amount('declinePercent', 'decline', '%')}
          </div>
        </form>
      )}
      {compared.data && isAsked ? (
        <Compared compared={compared.data} money={money('/ha')} />
      ) : (
        <p className="dim">{t('taking-out.fill')}</p>
      )}
      <p className="small dim">{t('taking-out.text')}</p>
      <ToGo pattern={pattern} every={every} planting={view.id} version={view.plantingVersion} />
    </section>
  );
}

function Sum({ compared, money }: { compared: TakingOut; money: string }) {
  const { t, number } = useReading();
  const more = Math.abs(compared.takeOut - compared.keep);
  return (
    <p className="training-sum" data-test="taking-out-sum">
      {t(compared.pays ? 'taking-out.pays' : 'taking-out.better')}{' '}
      <Why steps={compared.steps}>
        <strong>{number(more, 0)}</strong> {money}
      </Why>{' '}
      {t('taking-out.more', { years: compared.years.length })}
    </p>
  );
}

function Compared({ compared, money }: { compared: TakingOut; money: string }) {
  const { t, number } = useReading();
  const { keep, takeOut, breakEvenDecline: even, years } = compared;
  const crop = (kg: number) => number(kg / 1000, 1);
  return (
    <>
      <p data-test="break-even">
        {even === null
          ? t('taking-out.even-never')
          : even === 0
            ? t('taking-out.even-always')
            : t('taking-out.even', { decline: number(even * 100, 1) })}
      </p>
      <table className="rework-work" data-test="taking-out-years">
        <thead>
          <tr>
            <th scope="col">{t('taking-out.year')}</th>
            {(['keep', 'out'] as const).map((way) => (
              <th scope="col" className="number" key={way}>
                {t('taking-out.crop')}, {t(`taking-out.${way}`)} <span className="unit">t/ha</span>
              </th>
            ))}
            {(['keep', 'out'] as const).map((way) => (
              <th scope="col" className="number" key={way}>
                {t('taking-out.brings')}, {t(`taking-out.${way}`)} <span className="unit">{money}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {years.map((y) => (
            <tr key={y.year}>
              <th scope="row">{y.year}</th>
              <td className="number">{crop(y.keptKgPerHa)}</td>
              <td className="number">{crop(y.outKgPerHa)}</td>
              <td className="number">{number(y.keptMoneyPerHa, 0)}</td>
              <td className="number">{number(y.outMoneyPerHa, 0)}</td>
            </tr>
          ))}
          <tr>
            <th scope="row" colSpan={3}>
              {t('taking-out.sum')}
            </th>
            <td className="number">
              <strong>{number(keep, 0)}</strong>
            </td>
            <td className="number">
              <strong>{number(takeOut, 0)}</strong>
            </td>
          </tr>
        </tbody>
      </table>
    </>
  );
}

/** The trees that go: marked in the rows, with the winter they go in, followed until their places stand empty. */
function ToGo({
  pattern,
  every,
  planting,
  version,
}: {
  pattern: string;
  every: number;
  planting: string;
  version: number;
}) {
  const { t, number } = useReading();
  const may = useMay();
  const client = useQueryClient();
  const { problem, failure, busy, attempt } = useAttempt();
  const [from, setFrom] = useState('1');
  const [season, setSeason] = useState<string | null>(null);
  const rework = useQuery({
    queryKey: ['rework', planting],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/rework', { params: { path: { id: planting } } })),
  });
  if (!rework.data) return null;
  const { plan, goingSeason, goingVersion, hasRows, season: now } = rework.data;
  const marked = plan?.standings.find((s) => s.standing === 'toRemove')?.trees ?? 0;
  const act = (what: () => Promise<unknown>) =>
    void attempt(async () => {
      await what();
      await client.invalidateQueries();
    });
  const params = { path: { id: planting } };
  const wrong = failure ?? problem('rows') ?? problem('from') ?? problem('every') ?? problem('season');
  return (
    <section className="training-measures" data-test="to-go">
      <Notices
        notices={(plan?.warnings ?? []).filter((w) => w.code === 'rework.no-winter' || w.code === 'rework.both')}
      />
      <p data-test="marked">
        {marked === 0
          ? t('taking-out.marked-none')
          : t('taking-out.marked', { count: marked, trees: number(marked, 0) })}{' '}
        {marked > 0 && <Link to={`/plantings/${planting}/rework`}>{t('taking-out.to-rework')}</Link>}
      </p>
      {!hasRows && <p className="dim">{t('taking-out.no-rows')}</p>}
      {may('plan') && hasRows && (
        <div className="fields">
          {pattern !== 'whole' && (
            <ChoiceField
              label={t('taking-out.from')}
              value={from}
              onChange={setFrom}
              options={Array.from({ length: Math.max(2, Math.min(20, every)) }, (_, i) => ({
                value: String(i + 1),
                label: String(i + 1),
              }))}
            />
          )}
          <div className="field rework-acts">
            <Button
              loading={busy}
              onClick={() => {
                act(() =>
                  answered(
                    api.POST('/api/v1/plantings/{id}/taking-out/mark', {
                      params,
                      body: { version, pattern, every, from: pattern === 'whole' ? null : Number(from) },
                    }),
                  ),
                );
              }}
              data-test="mark-taken"
            >
              {t('taking-out.mark')}
            </Button>
          </div>
          {marked > 0 && (
            <>
              <ChoiceField
                label={t('taking-out.season')}
                value={season ?? (goingSeason === null ? '' : String(goingSeason))}
                empty="–"
                onChange={setSeason}
                options={Array.from({ length: 8 }, (_, i) => ({ value: String(now + i), label: String(now + i) }))}
              />
              <div className="field rework-acts">
                <Button
                  loading={busy}
                  onClick={() => {
                    act(() =>
                      answered(
                        api.PUT('/api/v1/plantings/{id}/removal', {
                          params,
                          body: {
                            version: goingVersion,
                            season: (season ?? goingSeason) ? Number(season ?? goingSeason) : null,
                          },
                        }),
                      ),
                    );
                  }}
                  data-test="name-winter"
                >
                  {t('taking-out.name-winter')}
                </Button>
                <Popconfirm
                  title={t('taking-out.gone-sure', { count: marked, trees: number(marked, 0) })}
                  okText={t('taking-out.gone')}
                  cancelText={t('taking-out.gone-not')}
                  onConfirm={() => {
                    act(() =>
                      answered(api.POST('/api/v1/plantings/{id}/taking-out/done', { params, body: { version } })),
                    );
                  }}
                >
                  <Button loading={busy} data-test="are-out">
                    {t('taking-out.gone')}
                  </Button>
                </Popconfirm>
              </div>
            </>
          )}
        </div>
      )}
      {wrong && (
        <p className="field-problem" role="alert">
          {wrong}
        </p>
      )}
    </section>
  );
}
