import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: '../src/Rama.Web/wwwroot',
    emptyOutDir: true,
    // Fonts and pictures stay files: the content-security policy has no data: for fonts.
    assetsInlineLimit: 0,
    rollupOptions: { input: 'app.html' },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  test: { environment: 'node' },
});
