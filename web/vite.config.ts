import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { VitePWA } from 'vite-plugin-pwa'
import vuetify from 'vite-plugin-vuetify'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [
    vue(),
    vuetify({ autoImport: true }),
    // The app opens with the network down: its files are kept whole, and who is signed in and what is at the tables as last heard.
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script-defer',
      manifest: {
        id: '/',
        name: 'Palm Tally',
        short_name: 'Palm Tally',
        description: 'Plan, show and grade massage practicals, and see where each student stands.',
        lang: 'en',
        start_url: '/',
        display: 'standalone',
        background_color: '#f5f0e4',
        theme_color: '#22302b',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
        // What is wanted with oily hands, straight from the icon.
        shortcuts: [
          { name: 'The floor', url: '/floor', icons: [{ src: '/icon-192.png', sizes: '192x192' }] },
          { name: 'Show', url: '/show', icons: [{ src: '/icon-192.png', sizes: '192x192' }] },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/formats\//, /^\/openapi/, /^\/actuator/],
        maximumFileSizeToCacheInBytes: 4_000_000,
        runtimeCaching: [
          {
            urlPattern: ({ url }) =>
              ['/api/session', '/api/catalogue', '/api/floor', '/api/known'].includes(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'last-heard', networkTimeoutSeconds: 4 },
          },
        ],
      },
    }),
  ],
  resolve: {
    alias: {
      '@core': fileURLToPath(new URL('../browser/target/js/palm-core.js', import.meta.url)),
      '@': fileURLToPath(new URL('./src', import.meta.url)),
    },
  },
  worker: { format: 'es' },
  build: {
    chunkSizeWarningLimit: 900,
    license: { fileName: 'licences.json' },
    rolldownOptions: {
      output: {
        // The first script lists what each page fetches: the shorter the names and the fewer the files, the sooner it is there.
        chunkFileNames: 'assets/[hash].js',
        assetFileNames: 'assets/[hash][extname]',
        codeSplitting: {
          includeDependenciesRecursively: false,
          groups: [{ name: 'common', test: /src\/(parts|api)\/[^.]*\.(ts|vue)$/, minShareCount: 3 }],
        },
      },
    },
  },
  server: {
    proxy: { '/api': 'http://127.0.0.1:8080', '/formats': 'http://127.0.0.1:8080' },
  },
  test: { environment: 'happy-dom', server: { deps: { inline: ['vuetify'] } } },
})
