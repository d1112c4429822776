import { cp } from 'node:fs/promises';
import { defineConfig } from 'vite';

/** The server and command line, bundled to run on plain Node; packages stay where npm put them. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/server',
    target: 'node20',
    minify: false,
    emptyOutDir: true,
    rolldownOptions: {
      input: { main: 'server/main.ts', worker: 'server/work/worker.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
  plugins: [
    {
      name: 'copy-migrations',
      closeBundle: () => cp('server/database/migrations', 'dist/server/migrations', { recursive: true }),
    },
  ],
});
