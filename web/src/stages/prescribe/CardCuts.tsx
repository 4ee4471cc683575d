import type { PruningCard } from '../../api/client';

/** The cuts of a card in their order, with what to look for and how. */
export function CardCuts({ cuts }: { cuts: PruningCard['cuts'] }) {
  return (
    <ol className="card-cuts">
      {cuts.map((cut) => (
        <li key={cut.stepId}>
          <span className="card-tag">{cut.number}</span>
          <div>
            <p className="card-cut-head">
              <strong>{cut.name}</strong>{' '}
              <span>
                {cut.howMany}
                {cut.falls && ` · ${cut.falls}`}
              </span>
            </p>
            <p>
              {cut.lookFor} {cut.how}
            </p>
            {cut.caution && <p className="card-caution">▲ {cut.caution}</p>}
          </div>
        </li>
      ))}
    </ol>
  );
}
