import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    // Once, as small as they get; the server sends them as they lie.
    compression({ algorithms: ['gzip', 'brotliCompress'], exclude: [/\.(?:html|woff2?|png)$/, /sw\.js$/, /workbox-/] }),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script',
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
  build: { outDir: '../dist/web', emptyOutDir: true, chunkSizeWarningLimit: 1500 },
  server: { port: 4280, proxy: { '/api': 'http://localhost:4270' } },
});
