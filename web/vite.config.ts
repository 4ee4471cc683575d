import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';
import { offlineWorker } from './offlineWorker';

export default defineConfig({
  plugins: [react(), offlineWorker()],
  build: {
    outDir: '../src/Rama.Web/wwwroot',
    emptyOutDir: true,
    // Fonts and pictures stay files: the content-security policy has no data: for fonts.
    assetsInlineLimit: 0,
    rollupOptions: {
      input: { app: 'app.html', worker: 'src/offline/worker.ts' },
      // A service worker rules over the folder it lies in.
      output: { entryFileNames: (chunk) => (chunk.name === 'worker' ? 'worker.js' : 'assets/[name]-[hash].js') },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  test: { environment: 'node' },
});
