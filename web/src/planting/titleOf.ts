/** Code and name of a planting; the code alone where it has no other name. */
export const titleOf = ({ code, name }: { code?: string | null; name?: string | null }) =>
  name == null || name === code ? (code ?? '') : `${code ?? ''} ${name}`;
