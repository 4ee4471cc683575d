/** What is kept by its key: making one of the runtime's writers costs a hundred times what using it does. */
function kept<T>(make: (language: string, options: object) => T) {
  const known = new Map<string, T>();
  return (language: string, options: object): T => {
    const key = `${language} ${JSON.stringify(options)}`;
    let form = known.get(key);
    if (!form) known.set(key, (form = make(language, options)));
    return form;
  };
}

/** A writer of numbers. */
export const numberForm = kept(
  (language, options: Intl.NumberFormatOptions) => new Intl.NumberFormat(language, options),
);

/** A writer of days. */
export const dayForm = kept(
  (language, options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(language, options),
);
