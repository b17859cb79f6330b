import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
  build: { target: 'es2022', chunkSizeWarningLimit: 1500, manifest: true },
});
