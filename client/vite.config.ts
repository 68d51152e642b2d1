import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [vue()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: {
    outDir: '../src/MildHunch.Web/wwwroot',
    emptyOutDir: true,
    manifest: true,
    chunkSizeWarningLimit: 900,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  test: {
    environment: 'happy-dom',
    include: ['src/**/*.spec.ts'],
    setupFiles: ['src/shared/testing/setup.ts'],
    // One window for all: a window of its own for every file took five sixths of the time.
    pool: 'threads',
    isolate: false,
  },
});
