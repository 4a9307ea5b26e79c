import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      strategies: 'generateSW',
      injectRegister: false,
      registerType: 'autoUpdate',
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
        // the whole shell, fonts included: a technician's next screen must not wait for a signal
        globPatterns: ['**/*.{js,css,html,svg,woff2,woff,ttf}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        // pictures are named by their bytes: what is kept is right for ever
        runtimeCaching: [
          {
            urlPattern: /\/api\/v1\/assets\/[0-9a-f]{64}$/,
            handler: 'CacheFirst',
            options: { cacheName: 'pictures', expiration: { maxEntries: 2000 } },
          },
        ],
        clientsClaim: true,
        skipWaiting: true,
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 700 },
});
