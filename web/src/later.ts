import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/**
 * A page, or a part of one, that is fetched when it is first needed, with the words that come with such pages: the
 * first page and its words stay small.
 */
export function later<Name extends string, Props>(
  load: () => Promise<Record<Name, ComponentType<Props>>>,
  name: Name,
): LazyExoticComponent<ComponentType<Props>> {
  return lazy(async () => {
    const [module] = await Promise.all([load(), import('./words/pages')]);
    return { default: module[name] };
  });
}
