import type { PruningCard } from '../../api/client';
import './cardTape.css';

type Tape = NonNullable<PruningCard['tape']>;
type Strip = Tape['strips'][number];

/** Height of a strip, and room between them, mm. */
const HIGH = 11;
const APART = 2.5;
/** Blank beside the name of a strip, and width of its letters, mm. */
const BLANK = 1.2;
const NAME_WIDE = 1.75;
/** Room on the sheet for strips, mm. */
const WIDE = 184;
const TALL = { a4: 190, letter: 172 };

/** The second sheet of a card: strips printed true to scale, to be laid round a limb. */
export function CardTape({ card, tape, paper }: { card: PruningCard; tape: Tape; paper: 'a4' | 'letter' }) {
  const rows = Math.floor(TALL[paper] / (HIGH + APART));
  const longest = Math.max(...tape.strips.map((s) => s.lengthMm));
  const abreast = Math.max(1, Math.floor(WIDE / (longest + APART)));
  // Whole sets, so that every pruner gets a strip of each trunk class.
  const places = rows * abreast;
  const shown = Array.from({ length: Math.max(1, Math.floor(places / tape.strips.length)) }, () => tape.strips).flat();
  return (
    <article className={`card card-${paper} card-tape-sheet`} lang={card.language} data-test="tape">
      <header className="card-head">
        <h1>{tape.heading}</h1>
        <p>{card.block}</p>
      </header>
      {tape.how.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      <div className="tape-check">
        <svg width={`${tape.checkMm}mm`} height="5mm" viewBox={`0 0 ${tape.checkMm} 5`} aria-hidden>
          <path d={`M.125 0V5M.125 2.5H${tape.checkMm - 0.125}M${tape.checkMm - 0.125} 0V5`} className="tape-line" />
        </svg>
        <span>{tape.check}</span>
      </div>
      <div className="tape-strips" tabIndex={0} style={{ gridTemplateColumns: `repeat(${abreast}, ${longest}mm)` }}>
        {shown.map((strip, i) => (
          <TapeStrip key={i} strip={strip} takeOut={tape.takeOut} version={card.version ?? null} />
        ))}
      </div>
    </article>
  );
}

function TapeStrip({ strip, takeOut, version }: { strip: Strip; takeOut: string; version: number | null }) {
  const { cells, lengthMm } = strip;
  const [from, out] = [cells[0]!.fromMm, cells.at(-1)!.toMm];
  const name = version === null ? strip.name : `${strip.name} · ${version}`;
  const room = from - 2 * BLANK;
  const tooLong = name.length * NAME_WIDE > room;
  return (
    <svg
      width={`${lengthMm}mm`}
      height={`${HIGH}mm`}
      viewBox={`0 0 ${lengthMm} ${HIGH}`}
      className="tape-strip"
      role="img"
      aria-label={`${strip.name} ${cells.map((c) => c.buds).join(' ')}`}
    >
      <rect x={0} y={0} width={lengthMm} height={HIGH} className="tape-paper" />
      <text
        x={BLANK}
        y={4.2}
        className="tape-name"
        {...(tooLong && { textLength: room, lengthAdjust: 'spacingAndGlyphs' })}
      >
        {name}
      </text>
      {strip.trunk.split(/ (?=\()/).map((part, i) => (
        <text key={i} x={BLANK} y={7 + i * 2.6} className="tape-trunk">
          {part}
        </text>
      ))}
      {cells.map((c, i) => (
        <g key={c.fromMm}>
          {i % 2 === 1 && <rect x={c.fromMm} y={0} width={c.toMm - c.fromMm} height={HIGH} className="tape-shade" />}
          <line x1={c.fromMm} x2={c.fromMm} y1={0} y2={HIGH} className="tape-line" />
          <CellNumber x={(c.fromMm + c.toMm) / 2} wide={c.toMm - c.fromMm} text={c.buds} />
        </g>
      ))}
      <rect x={out} y={0} width={lengthMm - out} height={HIGH} className="tape-out" />
      <text x={(out + lengthMm) / 2} y={HIGH / 2 + 1.6} className="tape-out-word">
        {takeOut}
      </text>
      <rect x={0.15} y={0.15} width={lengthMm - 0.3} height={HIGH - 0.3} className="tape-cut" />
    </svg>
  );
}

/** Too wide for its cell, a number is turned on its side. */
function CellNumber({ x, wide, text }: { x: number; wide: number; text: string }) {
  const turned = text.length * 1.68 > wide - 0.15;
  const y = HIGH / 2;
  return (
    <text x={x} y={y} className="tape-number" transform={turned ? `rotate(-90 ${x} ${y})` : undefined}>
      {text}
    </text>
  );
}
