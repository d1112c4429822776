import { fileURLToPath } from 'node:url';
import react from '@vitejs/plugin-react';
import type { Rolldown } from 'vite';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

type ChunkingContext = Parameters<Extract<Rolldown.CodeSplittingGroup['name'], (...args: never[]) => unknown>>[1];

/**
 * What the bench opens with comes in two pieces and not in sixty, each with its headers: its libraries, which stay over
 * an update, and its own code. Everything else is split as the screens need it.
 */
const PIECES = [
  {
    debugName: 'libraries',
    priority: 2,
    name: (id: string, modules: ChunkingContext) =>
      id.includes('node_modules') && (isFirst(id, modules) || FROM_MANTINE.test(id)) ? 'libraries' : null,
  },
  {
    debugName: 'bench',
    priority: 1,
    name: (id: string, modules: ChunkingContext) => (isFirst(id, modules) ? 'bench' : null),
  },
];

/** Of Mantine, which names all it has in one file, what the bench is made of. */
const FROM_MANTINE =
  /@mantine\/core\/esm\/(?:core\/(?!utils)|components\/(?:UnstyledButton|Button|Loader|Group|Stack|Center|Text|Title|Transition)\/)/;

let first: ReadonlySet<string> | undefined;

/** Whether a module is there from the start, and not loaded later by a screen. */
function isFirst(id: string, modules: ChunkingContext): boolean {
  first ??= fromTheStart(modules);
  return first.has(id);
}

function fromTheStart(modules: ChunkingContext): ReadonlySet<string> {
  const found = new Set<string>();
  const add = (id: string) => {
    // A file that only hands on what a library has says nothing of what is used.
    if (found.has(id) || /@mantine|@tabler/.test(id)) return;
    found.add(id);
    for (const next of modules.getModuleInfo(id)?.importedIds ?? []) add(next);
  };
  add(fileURLToPath(new URL('./web/main.tsx', import.meta.url)));
  return found;
}

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    // Once, as small as they get; the server sends them as they lie.
    compression({ algorithms: ['gzip', 'brotliCompress'], exclude: [/\.(?:html|woff2?|png)$/, /sw\.js$/, /workbox-/] }),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      strategies: 'injectManifest',
      srcDir: 'background',
      filename: 'sw.ts',
      manifest: {
        name: 'Fukusa',
        short_name: 'Fukusa',
        start_url: '/jobs',
        display: 'standalone',
        background_color: '#f7f4ec',
        theme_color: '#fffdf8',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      injectManifest: {
        globPatterns: ['**/*.{html,js,css,woff2,svg}'],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
      },
    }),
  ],
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    chunkSizeWarningLimit: 1500,
    rolldownOptions: {
      output: {
        codeSplitting: { groups: PIECES },
      },
    },
  },
  server: { port: 4280, proxy: { '/api': 'http://localhost:4270' } },
});
