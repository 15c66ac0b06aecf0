import vue from '@vitejs/plugin-vue';
import { resolve } from 'node:path';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify({ autoImport: true })],
  build: {
    outDir: resolve(import.meta.dirname, '../dist/web'),
    emptyOutDir: true,
    manifest: true,
    chunkSizeWarningLimit: 700,
    rollupOptions: {
      input: { desk: resolve(import.meta.dirname, 'index.html'), home: resolve(import.meta.dirname, 'home.html') },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4600' } },
});
