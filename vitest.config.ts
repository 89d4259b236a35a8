import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { defineConfig } from 'vitest/config';

/** No test is about time: this is for a machine that other work makes several times slower. */
const SLOW_MACHINE_MS = 30_000;

export default defineConfig({
  test: {
    // One more than there are cores to count on: some tests wait for processes of their own.
    maxWorkers: 3,
    projects: [
      // Pure functions have nothing to leave behind: what one file loaded the next can use.
      {
        test: {
          name: 'core',
          root: 'packages/core',
          include: ['src/**/*.test.ts'],
          testTimeout: SLOW_MACHINE_MS,
          hookTimeout: SLOW_MACHINE_MS,
          isolate: false,
        },
      },
      {
        plugins: [vue(), icons({ compiler: 'vue3' })],
        test: {
          name: 'web',
          root: 'packages/web',
          include: ['src/**/*.test.ts'],
          environment: 'happy-dom',
          testTimeout: SLOW_MACHINE_MS,
          hookTimeout: SLOW_MACHINE_MS,
          setupFiles: ['src/testing/no-network.ts'],
        },
      },
      {
        test: {
          name: 'server',
          isolate: false,
          root: 'packages/server',
          include: ['test/**/*.test.ts'],
          testTimeout: SLOW_MACHINE_MS,
          hookTimeout: SLOW_MACHINE_MS,
        },
      },
      { test: { name: 'house', root: '.', include: ['scripts/**/*.test.ts'], testTimeout: SLOW_MACHINE_MS, hookTimeout: SLOW_MACHINE_MS } },
    ],
  },
});
