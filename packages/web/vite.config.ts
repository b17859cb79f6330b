import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
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
  build: { target: 'es2022', chunkSizeWarningLimit: 1500, manifest: true },
});
