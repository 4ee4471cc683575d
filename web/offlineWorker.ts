import type { Plugin } from 'vite';

/** Files of no use in a row: the charts of the office. */
const leftOut = /MarginChart/;

/**
 * Tells the service worker, built beside the page, which files to keep. Names in assets/ change with their content;
 * others
 * are told apart by the version of the whole.
 */
export function offlineWorker(): Plugin {
  return {
    name: 'rama-offline-worker',
    apply: 'build',
    enforce: 'post',
    generateBundle(_, bundle) {
      const worker = bundle['worker.js'];
      if (worker?.type !== 'chunk') throw new Error('The service worker was not built.');
      const kept = Object.keys(bundle)
        .filter((file) => /^assets\/.*\.(js|css|woff2)$/.test(file) && !leftOut.test(file))
        .sort();
      const entries = [
        ...kept.map((file) => ({ url: `/${file}`, revision: null })),
        { url: '/bud.svg', revision: '1' },
      ];
      if (!worker.code.includes('self.__WB_MANIFEST'))
        throw new Error('The service worker does not ask for its files.');
      worker.code = worker.code.replace('self.__WB_MANIFEST', JSON.stringify(entries));
    },
  };
}
