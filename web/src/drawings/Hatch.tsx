/** The hatching of what falls, the same in every drawing of the ledger. */
export function Hatch({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="var(--straw-tint)" />
        <rect width="2.6" height="7" fill="var(--straw)" />
      </pattern>
    </defs>
  );
}
