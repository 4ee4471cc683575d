import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/**
 * A page that is fetched when somebody goes there, with the words only such pages say: the first page and its words
 * stay small.
 */
export function page<Name extends string, Props>(
  load: () => Promise<Record<Name, ComponentType<Props>>>,
  name: Name,
): LazyExoticComponent<ComponentType<Props>> {
  return lazy(async () => {
    const [module] = await Promise.all([load(), import('./words/pages')]);
    return { default: module[name] };
  });
}
