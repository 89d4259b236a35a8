import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', root: 'packages/core', include: ['src/**/*.test.ts'] } },
      {
        plugins: [vue(), icons({ compiler: 'vue3' })],
        test: {
          name: 'web',
          root: 'packages/web',
          include: ['src/**/*.test.ts'],
          environment: 'happy-dom',
          setupFiles: ['src/testing/no-network.ts'],
        },
      },
      { test: { name: 'server', root: 'packages/server', include: ['test/**/*.test.ts'], testTimeout: 20_000 } },
      { test: { name: 'house', root: '.', include: ['scripts/**/*.test.ts'], testTimeout: 30_000 } },
    ],
  },
});
