import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { type Plugin, defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

const SHARING = '?sharing';

/**
 * `import url from './some.worker.ts?sharing'`: a worker built as one more entry of the same build, so that what it has in common with the page is one
 * file for both. Built on its own, as is usual, the drawing would wait for the same hundred kilobytes twice.
 */
function sharingWorkers(): Plugin {
  let isBuild = false;
  return {
    name: 'sharing-workers',
    enforce: 'pre',
    configResolved: ({ command }) => void (isBuild = command === 'build'),
    load(id) {
      if (!id.endsWith(SHARING)) return null;
      const file = id.slice(0, -SHARING.length);
      if (!isBuild) return `export default ${JSON.stringify(`/@fs${file}?worker_file&type=module`)}`;
      return `export default import.meta.ROLLUP_FILE_URL_${this.emitFile({ type: 'chunk', id: file })}`;
    },
  };
}

export default defineConfig({
  plugins: [
    sharingWorkers(),
    vue(),
    icons({ compiler: 'vue3' }),
    // Copies for the server to send as they are: nothing is packed while somebody waits.
    compression({ algorithms: ['gzip', 'brotliCompress'], threshold: 1_000 }),
  ],
  worker: { format: 'es' },
  css: { preprocessorOptions: { scss: { quietDeps: true } } },
  build: {
    target: 'es2023',
    // Tells the bench what is asked for first.
    manifest: true,
    // What is fetched ahead is told to the page's document, and a worker has none.
    modulePreload: { resolveDependencies: (_file, others, { hostId }) => (hostId.includes('.worker') ? [] : others) },
    rolldownOptions: {
      checks: { pluginTimings: false },
      // It only defines, though it does not say so: what is not called stays out of the page.
      treeshake: { moduleSideEffects: (id) => !id.includes('/clipper2-ts/') },
    },
  },
});
