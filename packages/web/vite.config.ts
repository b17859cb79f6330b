import { join } from 'node:path';
import purgeCss from '@fullhuman/postcss-purgecss';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

/** Of the thousands of helper classes of the component library, those that its components or our own use. */
const purge = purgeCss({
  content: ['src/**/*.{vue,ts}', '../../node_modules/vuetify/lib/**/*.js'].map((glob) =>
    join(import.meta.dirname, glob),
  ),
  // Put together from what a component is told.
  safelist: [/^rounded/, /^elevation-/, /^text-(start|center|end)$/],
});

/** The libraries that every screen begins with. */
const everyScreens =
  /node_modules[\\/](vue|@vue|vue-router|pinia|vuetify|@vuetify|@vueuse|luxon|comlink|idb-keyval)[\\/]/;

export default defineConfig({
  css: {
    postcss: {
      plugins: [
        {
          ...purge,
          OnceExit: (root, helpers) =>
            root.source?.input.file?.includes('/vuetify/lib/styles/')
              ? purge.OnceExit?.(root, helpers)
              : undefined,
        },
      ],
    },
  },
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    // What lets it be installed, and opened without the server: the page itself is kept, and of its parts what was used.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: null,
      manifest: {
        name: 'Fixatum',
        short_name: 'Fixatum',
        description: 'Plans, times and logs the finishing of foam costume pieces.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f2f2f0',
        theme_color: '#17181a',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['index.html', 'icon.svg'],
        navigateFallback: null,
        runtimeCaching: [
          {
            // The page as the server has it; the one that was kept where nobody answers.
            urlPattern: ({ request }) => request.mode === 'navigate',
            handler: 'NetworkOnly',
            options: { precacheFallback: { fallbackURL: '/index.html' } },
          },
          {
            urlPattern: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/assets/'),
            handler: 'CacheFirst',
            options: {
              cacheName: 'fixatum-parts',
              expiration: { maxEntries: 300 },
              cacheableResponse: { statuses: [200] },
            },
          },
        ],
      },
    }),
    // Made once here, so that the server only has to send them.
    compression({
      include: /\.(js|mjs|css|html|svg)$/,
      threshold: 1024,
      algorithms: [defineAlgorithm('gzip'), defineAlgorithm('brotliCompress')],
    }),
  ],
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1500,
    manifest: true,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // What every screen begins with, as one file in place of dozens: each takes a request, and packs worse alone.
          groups: [{ name: 'base', test: everyScreens, tags: ['$initial'] }],
        },
      },
    },
  },
});
