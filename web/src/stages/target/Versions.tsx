import { Button } from 'antd';
import { Link } from 'react-router';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, answered, type TargetEntry } from '../../api/client';
import { toDraft } from '../../entry/draft';
import { useAttempt } from '../../entry/useAttempt';
import { useMay } from '../../people/session';
import { Wide } from '../../look/Wide';
import { target as part, targetSpec } from './draft';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';
import { titleOf } from '../../planting/titleOf';

/**
 * Targets proposed, set and superseded, and where one may be copied from. Taking one over types it in; saving sets it.
 */
export function Versions() {
  const reading = useReading();
  const { t, number, language } = reading;
  const may = useMay();
  const { view, draft, change, discard, unsaved, plan } = usePlantingWork();
  const client = useQueryClient();
  const { attempt, failure, busy } = useAttempt();
  const path = { params: { path: { id: view.id } } };
  const versions = useQuery({
    queryKey: ['versions', view.id, view.season, view.planVersion],
    queryFn: () =>
      answered(
        api.GET('/api/v1/plantings/{id}/target/versions', {
          params: { path: { id: view.id }, query: { season: view.season } },
        }),
      ),
    enabled: may('money'),
  });
  const sources = useQuery({
    queryKey: ['sources', view.id],
    queryFn: () => answered(api.GET('/api/v1/plantings/{id}/target/sources', path)),
    enabled: may('target') && !view.isPast,
  });
  const take = (target: TargetEntry) => {
    change('target', toDraft(targetSpec, target, reading));
    window.scrollTo({ top: 0, behavior: 'smooth' });
  };
  const propose = async () => {
    await answered(
      api.POST('/api/v1/plantings/{id}/target/proposals', {
        ...path,
        body: { target: part.read(draft('target'), language).entry },
      }),
    );
    await client.invalidateQueries({ queryKey: ['versions', view.id] });
    // What a manager was typing stays; who may only propose is done with it.
    if (!may('target')) discard('target');
  };
  const when = new Intl.DateTimeFormat(language, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
  return (
    <section className="desk-part" id="versions">
      <h2>{t('versions.heading')}</h2>
      {versions.data && versions.data.length > 0 ? (
        <Wide>
          <table className="figures compact" data-test="versions">
            <thead>
              <tr>
                <th>{t('versions.standing')}</th>
                <th>{t('versions.who')}</th>
                <th className="number">{t('versions.fruit')}</th>
                <th className="number">{t('versions.buds')}</th>
                <th>{t('versions.school')}</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {versions.data.map((v) => (
                <tr key={v.number} className={v.standing === 'superseded' ? 'superseded' : undefined}>
                  <th scope="row">
                    <span className={`standing ${v.standing}`}>{t(`standing.${v.standing}`)}</span>
                  </th>
                  <td>
                    {v.person ?? '–'}, {when.format(new Date(v.at))}
                  </td>
                  <td className="number">
                    {v.fruitPerTree == null ? '–' : number(v.fruitPerTree, 0)}
                    {v.fruitPerTree != null && plan.crop && <Difference by={v.fruitPerTree - plan.crop.fruitPerTree} />}
                  </td>
                  <td className="number">
                    {v.budsPerTree == null ? '–' : number(v.budsPerTree, 0)}
                    {v.budsPerTree != null && plan.buds && <Difference by={v.budsPerTree - plan.buds.budsPerTree} />}
                  </td>
                  <td>
                    {t(`school.${v.school}`)}
                    {v.target.insurance?.reason && <span className="dim"> · {v.target.insurance.reason}</span>}
                  </td>
                  <td>
                    {may('target') && !view.isPast && (
                      <button
                        type="button"
                        className="text-button"
                        onClick={() => {
                          take(v.target);
                        }}
                      >
                        {t('versions.take')}
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Wide>
      ) : (
        <p className="dim">{t('versions.none')}</p>
      )}
      <div className="save-bar">
        {may('propose') && !view.isPast && (
          <Button
            loading={busy}
            disabled={!unsaved.includes('target') || !plan.crop}
            onClick={() => void attempt(propose)}
            data-test="propose"
          >
            {t('versions.propose')}
          </Button>
        )}
        {(sources.data ?? []).length > 0 && (
          <label className="copy-from">
            {t('versions.copy')}{' '}
            <select
              className="choice"
              value=""
              data-test="copy-from"
              onChange={(e) => {
                const source = sources.data?.[Number(e.target.value)];
                if (source) take(source.target);
              }}
            >
              <option value="">–</option>
              {sources.data!.map((s, i) => (
                <option key={`${s.code}/${s.season}`} value={i}>
                  {s.code === view.planting.code ? t('versions.season', { season: s.season }) : titleOf(s)}
                </option>
              ))}
            </select>
          </label>
        )}
        {may('target') && !view.isPast && plan.crop && !unsaved.includes('target') && (
          <Link to={`/targets?like=${view.id}`} data-test="copy-to">
            {t('versions.copy-to')}
          </Link>
        )}
        {failure && (
          <p className="field-problem" role="alert">
            {failure}
          </p>
        )}
      </div>
    </section>
  );
}

/** How far a version lies from what is typed now. */
function Difference({ by }: { by: number }) {
  const { number } = useReading();
  const whole = Math.round(by);
  return whole === 0 ? null : (
    <span className="dim difference">
      {' '}
      {whole > 0 ? '+' : '−'}
      {number(Math.abs(whole), 0)}
    </span>
  );
}
