import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [vue(), icons({ compiler: 'vue3' })],
  worker: { format: 'es' },
  css: { preprocessorOptions: { scss: { quietDeps: true } } },
  build: { target: 'es2023', rolldownOptions: { checks: { pluginTimings: false } } },
});
