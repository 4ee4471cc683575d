import { FieldConflicts, useFieldNews } from '../../field/FieldConflicts';
import { bodyOf } from '../../field/kinds';
import { useReading } from '../../words/useReading';
import { Photos } from './Photos';

/**
 * What came from the row: trees two people counted differently, who counted, skipped trees, the vigour walk,
 * photographs.
 */
export function FieldNews() {
  const { t, local, say, number, amount, language } = useReading();
  const news = useFieldNews();
  if (!news || (news.entries.length === 0 && news.photos.length === 0)) return null;
  const time = new Intl.DateTimeFormat(language, { dateStyle: 'short', timeStyle: 'short' });
  const skipped = news.entries.filter((e) => e.kind === 'skip' && e.state === 'inForce');
  const marks = news.entries.filter((e) => e.kind === 'mark' && e.state === 'inForce');
  const { vigour } = news;
  return (
    <div className="sheet field-news" data-test="field-news">
      <h2>{t('news.title')}</h2>
      <FieldConflicts entries={news.entries} />
      {news.counters.map((c, i) => (
        <p key={i} className="small">
          {t('news.counter', { person: c.person ?? '–', trees: c.trees, time: time.format(new Date(c.last)) })}
        </p>
      ))}
      {skipped.length > 0 && (
        <p className="small dim">
          {t('news.skipped', { list: skipped.map((s) => `${s.row}/${s.tree} (${bodyOf(s, 'skip')})`).join(', ') })}
        </p>
      )}
      {vigour && (
        <section data-test="vigour">
          <p>
            <strong>{vigour.reason ? say(vigour.reason) : t('news.walked', { count: vigour.marks })}</strong>
          </p>
          <p className="small">
            {[
              vigour.heightM !== null &&
                t('news.height', {
                  height: amount(vigour.heightM, 'm', 1).number,
                  unit: amount(vigour.heightM, 'm', 1).unit,
                }),
              vigour.shade && vigour.shade !== 'none' && `${t('walk.shade')}: ${t(`walk.shade.${vigour.shade}`)}`,
              ...Object.entries(vigour.conditions).map(([c, n]) => `${t(`walk.condition.${c}`)} ${number(n, 0)}`),
              vigour.lookAgain &&
                t('news.look-again', {
                  day: new Intl.DateTimeFormat(language, { dateStyle: 'medium', timeZone: 'UTC' }).format(
                    new Date(vigour.lookAgain),
                  ),
                }),
            ]
              .filter(Boolean)
              .join(' · ')}
          </p>
          {vigour.advice.length > 0 && (
            <table className="figures news-advice">
              <thead>
                <tr>
                  <th>{t('advice.do')}</th>
                  <th>{t('advice.window')}</th>
                  <th>{t('advice.caution')}</th>
                </tr>
              </thead>
              <tbody>
                {vigour.advice.map((a) => (
                  <tr key={a.id}>
                    <th scope="row">
                      {local(a.do)}
                      <br />
                      <span className="dim">{local(a.effect)}</span>
                    </th>
                    <td>{local(a.window)}</td>
                    <td>{local(a.caution)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <details className="small">
            <summary>{t('news.marks', { count: marks.length })}</summary>
            <ul>
              {marks.map((m) => (
                <li key={m.id}>
                  {m.tree === null ? t('news.row', { row: m.row }) : t('outlier.place', { row: m.row, tree: m.tree })}
                  {(bodyOf(m, 'mark')?.conditions ?? []).map((c) => ` · ${t(`walk.condition.${c}`)}`)}
                  {bodyOf(m, 'mark')?.lookAgain && ` · ${bodyOf(m, 'mark')!.lookAgain}`}
                  {bodyOf(m, 'mark')?.note && ` · ${bodyOf(m, 'mark')!.note}`}
                </li>
              ))}
            </ul>
          </details>
        </section>
      )}
      <Photos photos={news.photos} />
    </div>
  );
}
