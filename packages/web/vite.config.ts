import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { type Plugin, defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

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
    // Installable, and once its bench was opened it goes on without a network: see `document/offline`.
    VitePWA({
      injectRegister: null,
      registerType: 'autoUpdate',
      manifest: {
        name: 'Spare Acre',
        short_name: 'Spare Acre',
        description: 'Plans gaming boards, and goes along at the bench.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f5f1e6',
        theme_color: '#f5f1e6',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/mark-192.png', sizes: '192x192', type: 'image/png', purpose: 'any maskable' },
          { src: '/mark-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        maximumFileSizeToCacheInBytes: 6_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            // What was last told, where nothing is told now. The journal is kept apart, deed by deed, and what others do can not be kept.
            urlPattern: ({ url, sameOrigin }) =>
              sameOrigin && url.pathname.startsWith('/api/') && !/\/(live|deeds|health|session)$/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'spare-acre-told', expiration: { maxEntries: 300 }, cacheableResponse: { statuses: [200] } },
          },
        ],
      },
    }),
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
