import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
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
