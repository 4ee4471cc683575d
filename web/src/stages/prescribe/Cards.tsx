import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { Link } from 'react-router';
import { api, answered, RequestError } from '../../api/client';
import { usePlantingWork } from '../../planting/usePlanting';
import { useReading } from '../../words/useReading';

/** The card, and those already handed out: which prescription they name, and whether it still says so. */
export function Cards() {
  const { t, language, words, system } = useReading();
  const { view, unsaved, may } = usePlantingWork();
  const client = useQueryClient();
  const at = { params: { path: { id: view.id } } };
  const key = ['cards', view.id, view.planVersion, view.plantingVersion];
  const cards = useQuery({ queryKey: key, queryFn: () => answered(api.GET('/api/v1/plantings/{id}/cards', at)) });
  const issue = useMutation({
    mutationFn: () => {
      const body = { version: view.planVersion, language: words, units: system };
      return answered(api.POST('/api/v1/plantings/{id}/cards', { ...at, body }));
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['cards', view.id] }),
    // Somebody changed the prescription: what it says now is fetched before the button can be pressed again.
    onError: (e) => (changed(e) ? client.invalidateQueries({ queryKey: ['planting', view.id] }) : undefined),
  });
  if (unsaved.length > 0)
    return (
      <p className="field-problem">
        {t('prescribe.save-first', { stages: unsaved.map((s) => t(`section.${s}`)).join(', ') })}
      </p>
    );
  const old = cards.data?.filter((c) => c.outOfDate).length ?? 0;
  return (
    <>
      <div className="card-actions">
        <Link className="link-button" to={`/plantings/${view.id}/card`} data-test="card">
          {t('prescribe.card')}
        </Link>
        {may('cutting') && (
          <Button
            onClick={() => {
              issue.mutate();
            }}
            loading={issue.isPending}
            data-test="issue"
          >
            {t('cards.issue')}
          </Button>
        )}
      </div>
      {issue.error && (
        <p className="field-problem" role="alert" data-test="issue-problem">
          {changed(issue.error)
            ? t('cards.changed')
            : issue.error instanceof RequestError
              ? issue.error.message
              : t('failure.network')}
        </p>
      )}
      {old > 0 && (
        <p className="field-problem" data-test="cards-old">
          {t('cards.old', { count: old })}
        </p>
      )}
      {(cards.data?.length ?? 0) > 0 && (
        <ul className="cards-issued" data-test="cards-issued">
          {cards.data!.slice(0, 6).map((c) => (
            <li key={c.id} className={c.outOfDate ? 'card-old' : ''}>
              <Link to={`/plantings/${view.id}/card?issued=${c.id}`}>{t('cards.version', { number: c.number })}</Link> ·{' '}
              {c.language === 'es' ? 'Español' : 'English'} ·{' '}
              {new Date(c.at).toLocaleDateString(language, { day: 'numeric', month: 'short' })}
              {c.person && ` · ${c.person}`}
              {c.outOfDate && <strong> · {t('cards.out-of-date')}</strong>}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

const changed = (e: unknown) => e instanceof RequestError && e.status === 409;
