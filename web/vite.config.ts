import vue from '@vitejs/plugin-vue';
import { resolve } from 'node:path';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

/** One pattern of several, for what goes into one file. */
const anyOf = (...patterns: readonly RegExp[]) => new RegExp(patterns.map(({ source }) => source).join('|'));

export default defineConfig({
  root: import.meta.dirname,
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: '.',
      filename: 'worker.ts',
      injectRegister: false,
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,woff2}'], maximumFileSizeToCacheInBytes: 3_000_000 },
      manifest: {
        name: 'Dewline',
        short_name: 'Dewline',
        start_url: '/',
        display: 'standalone',
        background_color: '#f4f3ee',
        theme_color: '#f4f3ee',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
    }),
  ],
  build: {
    outDir: resolve(import.meta.dirname, '../dist/web'),
    emptyOutDir: true,
    manifest: true,
    chunkSizeWarningLimit: 700,
    rollupOptions: {
      output: {
        // Few files, not many small ones: on a thin line each costs a journey. What a phone's first screen needs comes
        // in four.
        codeSplitting: {
          groups: [
            {
              name: 'vue',
              test: anyOf(
                /node_modules[\\/](@vue|vue|vue-router|uuid|@formatjs|intl-messageformat)[\\/]/,
                /rolldown\/runtime|plugin-vue|preload-helper/,
              ),
            },
            { name: 'frame', test: /node_modules[\\/]vuetify[\\/]lib[\\/](framework|components[\\/](VApp|VBtn)[\\/])/ },
            {
              name: 'phone',
              test: anyOf(
                /web[\\/](theme|language|strip|tenant[\\/](HomeScreen|DoneLately)|jobs[\\/]JobCard)/,
                /web[\\/](api[\\/](api|load|units|sentence)|outbox[\\/](kept|device))/,
                /web[\\/]kit[\\/](PageFrame|LoadState|Notice|pageTitle)/,
              ),
            },
          ],
        },
      },
      input: { desk: resolve(import.meta.dirname, 'index.html'), home: resolve(import.meta.dirname, 'home.html') },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4600' } },
});
