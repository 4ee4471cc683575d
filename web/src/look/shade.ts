import { useSyncExternalStore } from 'react';

/** Light for the sun, dark for a cab at night. */
export type Shade = 'day' | 'night';

/** What somebody chose; without a choice it follows the device. */
export type ShadeChoice = Shade | 'device';

const key = 'rama.shade';
const dark = window.matchMedia('(prefers-color-scheme: dark)');
const watching = new Set<() => void>();

export function shadeChosen(): ShadeChoice {
  const kept = localStorage.getItem(key);
  return kept === 'day' || kept === 'night' ? kept : 'device';
}

export function shadeNow(): Shade {
  const chosen = shadeChosen();
  return chosen === 'device' ? (dark.matches ? 'night' : 'day') : chosen;
}

export function chooseShade(next: ShadeChoice) {
  localStorage.setItem(key, next);
  show();
}

function show() {
  document.documentElement.dataset.shade = shadeNow();
  for (const watcher of watching) watcher();
}

const watch = (watcher: () => void) => {
  watching.add(watcher);
  return () => watching.delete(watcher);
};

/** The shade of the screen, as it is chosen or as the device changes. */
export const useShade = () => useSyncExternalStore(watch, shadeNow);
export const useShadeChoice = () => useSyncExternalStore(watch, shadeChosen);

dark.addEventListener('change', show);
// Another tab of the same device.
window.addEventListener('storage', show);
show();
