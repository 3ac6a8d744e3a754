import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build as bundle } from 'esbuild'
import { SIGN_IN_DAYS } from './shared/keep-times'
import { RECORD_BYTES_MAX } from './shared/record-limits'
import { noScriptText } from './words/door'

/** Changes with every build, so that a kept shell never points at files that are gone. */
const BUILD = new Date().toISOString()
const FACE = 'overpass-latin-wght-normal.'

const AUTH_BYTES_MAX = 16_000
/** How large a body of a route may be. */
const bodyOf = (bytes: number) => ({
  security: {
    requestSizeLimiter: { maxRequestSizeInBytes: bytes, maxUploadFileRequestInBytes: bytes, throwError: true as const },
  },
})

export default defineNuxtConfig({
  modules: ['@nuxt/ui', '@pinia/nuxt', '@vueuse/nuxt', 'nuxt-auth-utils', 'nuxt-security', '@vite-pwa/nuxt'],
  // The production build has a folder of its own: it empties it, and the types of the framework may be in use.
  buildDir: process.env.UZZET_BUILD_DIR ?? '.nuxt',
  // Pages are made in the browser: the build has no second bundle of them. Developing needs one: without it the
  // framework finds no entry.
  ssr: process.env.NODE_ENV !== 'production',
  components: { dirs: [] },
  // Only the framework's own names come by themselves: what is ours is imported where it is used, to be seen and
  // followed.
  imports: { scan: false },
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Uzzet',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Carry charts by swing length and club, and the gaps between them.' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' },
        { rel: 'apple-touch-icon', href: '/apple-touch-icon.png' },
      ],
      noscript: [{ tagPosition: 'bodyOpen', textContent: noScriptText }],
    },
  },
  css: ['~/assets/main.css'],
  colorMode: { preference: 'light', fallback: 'light', storageKey: 'uzzet-theme' },
  // Who is signed in is asked once, by our own store.
  auth: { loadStrategy: 'none' },
  ui: {
    fonts: false,
    colorMode: true,
    theme: { colors: ['primary', 'neutral', 'warning', 'success', 'error', 'info', 'secondary'] },
  },
  // Read when the server starts: NUXT_SESSION_PASSWORD and NUXT_SESSION_COOKIE_SECURE. Plain HTTP is for loopback
  // alone.
  runtimeConfig: { session: { name: 'uzzet', password: '', maxAge: SIGN_IN_DAYS * 86_400, cookie: { secure: false } } },
  alias: {
    '#core': fileURLToPath(new URL('./core', import.meta.url)),
    '#words': fileURLToPath(new URL('./words', import.meta.url)),
  },
  // Everything is behind sign-in, and charts are for the browser.
  routeRules: {
    '/**': { ssr: false },
    // A player's whole record comes in one piece, to be taken whole or not at all.
    '/api/players/bring-in': bodyOf(RECORD_BYTES_MAX),
    '/api/academy/bring-in': bodyOf(RECORD_BYTES_MAX),
    // Who is not signed in yet has little to say.
    '/api/auth/**': bodyOf(AUTH_BYTES_MAX),
  },
  experimental: { payloadExtraction: false },
  compatibilityDate: '2026-11-01',
  nitro: {
    compressPublicAssets: { gzip: true, brotli: true },
    // The static faces for PDFs: the variable one of the screen cannot be embedded there.
    serverAssets: [
      {
        baseName: 'fonts',
        dir: fileURLToPath(new URL('./node_modules/@fontsource/overpass/files', import.meta.url)),
        pattern: 'overpass-latin{,-ext}-{400-normal,700-normal,800-normal,400-italic}.woff',
      },
    ],
    experimental: { openAPI: false },
    // Plain JavaScript of our own is bundled like the rest, also while developing.
    externals: { inline: [/core\/stats\/vendor\//] },
  },
  vite: {
    worker: { format: 'es' },
    // Each file that is fetched costs a way there and back: small ones travel together.
    $client: { build: { rollupOptions: { output: { experimentalMinChunkSize: 16_000 } } } },
    optimizeDeps: { include: ['zod', 'chart.js', 'vue-chartjs', 'idb', 'uuid'] },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  telemetry: false,
  hooks: {
    // A page brings what it needs; the rest is fetched when it is asked for, and by the offline shell.
    'build:manifest': manifest => {
      for (const resource of Object.values(manifest)) {
        resource.prefetch = false
        // The face of the first words, which are not shown without it.
        if (resource.file.startsWith(FACE)) resource.preload = true
      }
    },
    // Errors of routes have a form of their own; pages keep the framework's.
    // The thread that works numbers out on the server is a program of its own, beside the server.
    'nitro:init': nitro => {
      nitro.hooks.hook('compiled', async () => {
        if (nitro.options.dev) return
        await bundle({
          entryPoints: [fileURLToPath(new URL('./server/calibration/worker.ts', import.meta.url))],
          outfile: join(nitro.options.output.serverDir, 'workers/calibration.mjs'),
          bundle: true,
          external: ['piscina'],
          platform: 'node',
          format: 'esm',
          target: 'node20',
          minify: true,
          // Packages in the old form ask for Node's own parts by "require".
          banner: {
            js: 'import { createRequire } from "node:module"; const require = createRequire(import.meta.url);',
          },
        })
      })
    },
    'nitro:config': config => {
      config.errorHandler = [
        fileURLToPath(new URL('./server/error-handler.ts', import.meta.url)),
        ...[config.errorHandler ?? []].flat(),
      ]
    },
  },
  icon: {
    // Drawn where they stand: as styles each of them makes the browser look through all of the page's styles.
    mode: 'svg',
    provider: 'none',
    fallbackToApi: false,
    serverBundle: { collections: ['lucide'] },
    clientBundle: { scan: true, sizeLimitKb: 96 },
  },
  // An open page works without a network; this lets it be opened without one. The shell of all pages is the answer to
  // "/". When it is filled is ours to say: app/plugins/offline-shell.client.ts.
  pwa: {
    registerType: 'prompt',
    client: { registerPlugin: false },
    manifest: {
      name: 'Uzzet',
      short_name: 'Uzzet',
      description: 'Carry charts by swing length and club, and the gaps between them.',
      lang: 'en',
      display: 'standalone',
      start_url: '/',
      background_color: '#faf8f3',
      theme_color: '#faf8f3',
      icons: [
        { src: '/favicon.svg', sizes: 'any', type: 'image/svg+xml' },
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
        { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,json,woff2,svg,png}'],
      maximumFileSizeToCacheInBytes: 3_000_000,
      additionalManifestEntries: [{ url: '/', revision: BUILD }],
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
      cleanupOutdatedCaches: true,
    },
  },
  security: {
    removeLoggers: false,
    corsHandler: false,
    rateLimiter: false,
    // Output is escaped and input is checked by our own schemas; a name with a "<" is a name.
    xssValidator: false,
    requestSizeLimiter: { maxRequestSizeInBytes: 2_000_000, maxUploadFileRequestInBytes: 2_000_000, throwError: true },
    headers: {
      crossOriginEmbedderPolicy: false,
      // As `frame-ancestors` below: nobody frames a page.
      xFrameOptions: 'DENY',
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'connect-src': ["'self'"],
        'font-src': ["'self'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'img-src': ["'self'", 'data:'],
        'object-src': ["'none'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'script-src-attr': ["'none'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'worker-src': ["'self'", 'blob:'],
        'upgrade-insecure-requests': false,
      },
      permissionsPolicy: {
        'geolocation': ['self'],
        'fullscreen': ['self'],
        'camera': [],
        'microphone': [],
        'display-capture': [],
      },
      strictTransportSecurity: false,
    },
  },
})
