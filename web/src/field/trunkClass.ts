interface Bounds {
  fromGirthCm: number | null;
  toGirthCm: number | null;
}

/** The class a girth lies in, without signal too; null where it lies in none. */
export const classOfGirth = <C extends Bounds>(classes: readonly C[], girthCm: number) =>
  classes.find(
    (c) => (c.fromGirthCm === null || girthCm >= c.fromGirthCm) && (c.toGirthCm === null || girthCm < c.toGirthCm),
  ) ?? null;
