import type { FieldKit } from '../../../api/client';
import { useReading } from '../../../words/useReading';
import { OwnTrees } from './OwnTrees';
import { RowAndTree } from './RowAndTree';
import type { TallyWork } from './useTally';

/** Which tree is at hand; touched, it can be another. */
export function TallyPlace({ kit, work }: { kit: FieldKit; work: TallyWork }) {
  const { t, amount, say } = useReading();
  const { row, tree, stop, sheet, done, goTo, toggle, close, checkPlace } = work;
  return (
    <>
      <button
        type="button"
        className="tally-place"
        onClick={() => {
          toggle('place');
        }}
        data-test="place"
      >
        {row !== '' ? (
          <>
            <strong>{t('field.place', { row, tree })}</strong>{' '}
            {stop && (
              <span className="small">
                {t('field.place-more', {
                  order: stop.order,
                  of: kit.route.length,
                  metres: amount(stop.positionM, 'm', 1).number,
                  unit: amount(stop.positionM, 'm', 1).unit,
                })}
                {stop.class && ` · ${t(`class.${stop.class}`, { defaultValue: stop.class })}`}
              </span>
            )}
          </>
        ) : (
          <strong>{t('field.choose-tree')}</strong>
        )}
      </button>
      {kit.pace && (row === '' || sheet === 'place') && <p className="small">{say(kit.pace)}</p>}
      {sheet === 'place' && (
        <div className="field-sheet">
          <RowAndTree row={row} tree={tree} onChange={goTo}>
            <button type="button" className="key" onClick={checkPlace}>
              {t('field.ok')}
            </button>
          </RowAndTree>
          <ol className="field-stops">
            {kit.route.map((s) => (
              <li key={s.order}>
                <button
                  type="button"
                  className={done.has(`${s.row}/${s.tree}`) ? 'stop-done' : ''}
                  onClick={() => {
                    goTo({ row: String(s.row), tree: String(s.tree) });
                    close();
                  }}
                >
                  {done.has(`${s.row}/${s.tree}`) ? '✓ ' : ''}
                  {s.row} / {s.tree}
                </button>
              </li>
            ))}
          </ol>
          <OwnTrees work={work} />
        </div>
      )}
    </>
  );
}
