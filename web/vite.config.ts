import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { formOf } from './form.ts';
import { keptAhead } from './kept-ahead.ts';

const ahead = keptAhead();

export default defineConfig({
  plugins: [
    react(),
    ahead.plugin,
    VitePWA({
      strategies: 'generateSW',
      injectRegister: false,
      registerType: 'prompt',
      manifest: {
        name: 'Wire Trail',
        short_name: 'Wire Trail',
        description: 'From the lamps on the panel to a proven repair',
        theme_color: '#f4f0e7',
        background_color: '#f4f0e7',
        display: 'standalone',
        start_url: '/',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        // a technician's next screen, its fonts included, must not wait for a signal
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        manifestTransforms: [(entries) => ({ manifest: entries.filter(({ url }) => ahead.keeps(url)), warnings: [] })],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        // what is named by its bytes is right for ever once it is kept
        runtimeCaching: [
          {
            urlPattern: /\/assets\/[^/]+\.(js|css|woff2|ttf)$/,
            handler: 'CacheFirst',
            options: { cacheName: 'parts', expiration: { maxEntries: 200 } },
          },
          {
            urlPattern: /\/api\/v1\/assets\/[0-9a-f]{64}$/,
            handler: 'CacheFirst',
            options: { cacheName: 'pictures', expiration: { maxEntries: 2000 } },
          },
        ],
        clientsClaim: true,
        // a new version waits until no walk is open: foundation/new-version.ts
        skipWaiting: false,
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  define: { 'import.meta.env.VITE_FORM': JSON.stringify(formOf(new URL('../core/src/', import.meta.url))) },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 700 },
});
