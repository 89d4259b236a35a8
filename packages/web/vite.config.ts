import { resolve } from 'node:path';
import vue from '@vitejs/plugin-vue';
import icons from 'unplugin-icons/vite';
import { type Plugin, type Rolldown, defineConfig } from 'vite';
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

/** What a person waits for, by who asks for it; a path is the file that the rest of it follows from. */
const WANTED = {
  page: ['src/main.ts'],
  ground: ['src/views/ground/GroundView.vue'],
  reckoning: ['src/workers/derive.worker.ts'],
  /** Fetched by workers after that. */
  later: [
    ...['searches', 'swatch', 'layout'].map((name) => `src/workers/${name}.worker.ts`),
    ...['build/pieces', 'schedule/tasks', 'advice/checks', 'procurement/supplies/certainty'].map((name) => `../core/src/${name}/index.ts`),
    '../core/src/pipeline/on-view.ts',
  ],
} as const;
/** Named by an index on the way, and used by none of these: in one of their files it would be fetched with them. */
const ASIDE = [
  /\/(papaparse|cdt2d|robust-[a-z-]+|two-(sum|product)|binary-search-bounds)\//,
  /\/clipper2-ts\/dist\/(index|Clipper|RectClip|Triangulation|Minkowski)\./,
  /\/core\/src\/(base\/tables|base\/geometry\/thinned|build\/mesh\/facets|schedule\/air\/readings|learning\/logbook\/told)\b/,
  /\/core\/src\/(plan\/stored\/migrations|plan\/stored\/merge|build\/cutting\/saved\/by-hand|build\/cutting\/parts\/splits)\b/,
];

/**
 * Four files for what is wanted first, where each module by itself would make ninety: a phone asks for six at a time, and waits for each. What a worker has in common with
 * the page is apart, since a worker can not load what needs a document; nothing in it needs anything outside of it.
 */
function filesTogether(): Rolldown.CodeSplittingNameFunction {
  const pathsOf = (own: readonly string[]): string[] => own.map((path) => resolve(import.meta.dirname, path));
  const starts = new Set(Object.values(WANTED).flatMap(pathsOf));
  let reached: Readonly<Record<keyof typeof WANTED, ReadonlySet<string>>> | null = null;
  const reachedFrom = (own: readonly string[], context: Rolldown.ChunkingContext): ReadonlySet<string> => {
    const all = new Set<string>();
    const take = (id: string): void => {
      if (all.has(id) || ASIDE.some((one) => one.test(id))) return;
      all.add(id);
      context.getModuleInfo(id)?.importedIds.forEach(take);
    };
    pathsOf(own).forEach(take);
    return all;
  };
  return (id, context) => {
    if (starts.has(id)) return null;
    const { page, ground, reckoning, later } = (reached ??= {
      page: reachedFrom(WANTED.page, context),
      ground: reachedFrom(WANTED.ground, context),
      reckoning: reachedFrom(WANTED.reckoning, context),
      later: reachedFrom(WANTED.later, context),
    });
    const isWorkers = reckoning.has(id) || later.has(id);
    if (page.has(id) || ground.has(id)) return isWorkers ? 'shared' : page.has(id) ? 'page' : 'ground';
    return reckoning.has(id) ? 'reckoning.worker' : null;
  };
}

export default defineConfig({
  plugins: [
    sharingWorkers(),
    vue(),
    icons({ compiler: 'vue3' }),
    // Installable, and once its bench was opened it goes on without a network: see `stores/device/offline`.
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
            options: {
              cacheName: 'spare-acre-told',
              // A server that sleeps answers nothing at all: what is kept is shown then.
              networkTimeoutSeconds: 3,
              expiration: { maxEntries: 2_000 },
              cacheableResponse: { statuses: [200] },
            },
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
    // What is fetched ahead is told to the page's document, and a worker has none: neither its own files nor what it shares with the page may ask for it.
    modulePreload: { resolveDependencies: (_file, others, { hostId }) => (/\.worker|\/shared-/.test(hostId) ? [] : others) },
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: { codeSplitting: { includeDependenciesRecursively: false, groups: [{ name: filesTogether() }] } },
      // It only defines, though it does not say so: what is not called stays out of the page.
      treeshake: { moduleSideEffects: (id) => !id.includes('/clipper2-ts/') },
    },
  },
});
