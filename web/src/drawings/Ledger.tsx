import { useId } from 'react';
import type { BudLedger } from '../api/client';
import { useReading } from '../words/useReading';
import { Hatch } from './Hatch';
import { layOutLedger, type LedgerColumn } from './ledgerLayout';
import './ledger.css';
import { useWidth } from './useWidth';

/** Below this width there is no room for names under the columns; they move into a list, and the drawing is lower. */
/** Width of a letter of a name, about. */
const LETTER = 7;
const NARROW = 620;
const WIDE_FORM = { height: 214, top: 40, baseline: 174 };
const NARROW_FORM = { height: 146, top: 30, baseline: 114 };

/**
 * The bud ledger: from floral buds on the tree, through what each step drops, to what is left, against the band wanted.
 */
export function Ledger({ ledger, draft = false }: { ledger: BudLedger; draft?: boolean }) {
  const { t, number, local } = useReading();
  const [ref, width] = useWidth<HTMLDivElement>(1064);
  const hatch = useId();
  const narrow = width < NARROW;
  const { height, top, baseline } = narrow ? NARROW_FORM : WIDE_FORM;
  const { columns, band } = layOutLedger(ledger, width, top, baseline);
  const gap = columns.length > 0 ? (columns.find((c) => c.kind === 'drop') ?? columns.at(-1)!) : null;
  const pitch = columns.length > 1 ? columns[1]!.x - columns[0]!.x : width;
  const nameOf = (column: LedgerColumn) => {
    if (column.kind === 'standing') return t(narrow ? 'ledger.standing-short' : 'ledger.standing');
    if (column.kind === 'left') return t('ledger.left');
    const drop = ledger.drops[column.drop]!;
    const name = `${drop.number} ${local(drop.name)}`;
    // A name that would run into its neighbour's is told below the drawing instead.
    return narrow || name.length * LETTER > pitch ? String(drop.number) : name;
  };
  const wanted = t('ledger.wanted', {
    wanted: number(ledger.wanted, 0),
    fruit: number(ledger.fruitWanted, 0),
    factor: number(ledger.budFactor),
    tolerance: number(ledger.tolerance * 100, 0),
  });

  return (
    <figure className={narrow ? 'ledger ledger-small' : 'ledger'} ref={ref} aria-label={summary(ledger, t, number)}>
      <figcaption>
        <span className="small dim">{t(narrow ? 'ledger.caption-short' : 'ledger.caption')}</span>
        <span className="small ledger-wanted">
          <span className="ledger-key" aria-hidden /> {wanted}
        </span>
        {draft && <span className="small ledger-draft">{t('ledger.draft')}</span>}
      </figcaption>
      <svg width={width} height={height} aria-hidden>
        <Hatch id={hatch} />
        <rect x={0} width={width} y={band.top} height={band.bottom - band.top} fill="var(--lichen-tint)" />
        <line x1={0} x2={width} y1={band.middle} y2={band.middle} stroke="var(--lichen)" strokeWidth={1.5} />
        {columns.map((column, i) => {
          const next = columns[i + 1];
          const end = column.kind === 'drop' ? column.bottom : column.top;
          return (
            next && (
              <line
                key={i}
                x1={column.x + column.width}
                x2={next.x}
                y1={end}
                y2={end}
                stroke="var(--dim)"
                strokeDasharray="2 3"
              />
            )
          );
        })}
        {columns.map((column, i) => (
          <Bar key={i} column={column} hatch={hatch} />
        ))}
        {columns.map((column, i) => (
          <Value key={i} column={column} ledger={ledger} />
        ))}
        <line x1={0} x2={width} y1={baseline} y2={baseline} stroke="var(--bark)" />
        {columns.map((column, i) => (
          <text
            key={i}
            x={column.x + column.width / 2}
            y={baseline + 22}
            textAnchor="middle"
            className={column.kind === 'left' ? 'ledger-name ledger-name-left' : 'ledger-name'}
          >
            {nameOf(column)}
          </text>
        ))}
        {!gap && (
          <text
            x={width / 2}
            y={(top + baseline) / 2 + (baseline - top) / 3}
            textAnchor="middle"
            className="ledger-empty"
          >
            {t('ledger.empty')}
          </text>
        )}
      </svg>
      {(narrow || columns.some((c) => c.kind === 'drop' && nameOf(c) === String(ledger.drops[c.drop]!.number))) &&
        ledger.drops.length > 0 && (
          <p className="small dim ledger-names">
            {ledger.drops.map((d) => `${d.number} ${local(d.name)}`).join(' · ')}
          </p>
        )}
    </figure>
  );
}

function Bar({ column, hatch }: { column: LedgerColumn; hatch: string }) {
  const fill = { standing: 'var(--bark)', drop: `url(#${hatch})`, left: 'var(--plum)' }[column.kind];
  const middle = column.x + column.width * 0.82;
  return (
    <>
      <rect
        x={column.x}
        width={column.width}
        y={column.top}
        height={Math.max(1, column.bottom - column.top)}
        fill={fill}
        stroke={column.kind === 'drop' ? 'var(--straw)' : 'none'}
      />
      {column.whiskers && (
        <g className="ledger-whiskers">
          {['under', 'over'].map((layer) => (
            <path
              key={layer}
              className={layer}
              d={`M${middle - 7} ${column.whiskers!.top}h14M${middle} ${column.whiskers!.top}V${column.whiskers!.bottom}M${middle - 7} ${column.whiskers!.bottom}h14`}
            />
          ))}
        </g>
      )}
    </>
  );
}

/** The column's number: inside a tall bar, above a low one, and always above a drop. */
function Value({ column, ledger }: { column: LedgerColumn; ledger: BudLedger }) {
  const { number } = useReading();
  if (column.kind === 'drop')
    return (
      <text x={column.x + column.width / 2} y={column.top - 7} textAnchor="middle" className="ledger-drop">
        −{number(ledger.drops[column.drop]!.drop, 0)}
      </text>
    );
  const value = number((column.kind === 'standing' ? ledger.standing : ledger.left)!.mean, 0);
  const inside = column.bottom - column.top > 44 && column.width > 60;
  const middle = column.width <= 60;
  return (
    <text
      x={middle ? column.x + column.width / 2 : column.x + 10}
      y={inside ? column.bottom - 13 : column.top - 8}
      textAnchor={middle ? 'middle' : 'start'}
      className={inside ? 'ledger-value' : 'ledger-value ledger-value-outside'}
    >
      {value}
    </text>
  );
}

function summary(
  ledger: BudLedger,
  t: (key: string, values: Record<string, string>) => string,
  number: (value: number, decimals?: number) => string,
) {
  return ledger.standing && ledger.left
    ? t('ledger.summary', {
        standing: number(ledger.standing.mean, 0),
        left: number(ledger.left.mean, 0),
        wanted: number(ledger.wanted, 0),
      })
    : t('ledger.summary-wanted', { wanted: number(ledger.wanted, 0) });
}
