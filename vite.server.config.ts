import { cp } from 'node:fs/promises';
import { defineConfig } from 'vite';

/** The server and command line, bundled to run on plain Node; packages stay where npm put them. */
export default defineConfig({
  build: {
    ssr: 'server/main.ts',
    outDir: 'dist/server',
    target: 'node20',
    minify: false,
    emptyOutDir: true,
    rolldownOptions: { output: { entryFileNames: 'main.js', chunkFileNames: '[name]-[hash].js' } },
  },
  plugins: [
    {
      name: 'copy-migrations',
      closeBundle: () => cp('server/store/migrations', 'dist/server/migrations', { recursive: true }),
    },
  ],
});
