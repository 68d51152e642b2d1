import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

// Lettering comes before it is asked for: text that changes its shape pushes aside what is being read.
const lettering: Plugin = {
  name: 'lettering-first',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => file.endsWith('.woff2'))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' },
          injectTo: 'head' as const,
        })),
  },
};

export default defineConfig({
  plugins: [vue(), lettering],
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
