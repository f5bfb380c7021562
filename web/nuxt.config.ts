import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { finishServer } from './build/finish-server'
import { fontsOf, pageFiles, preloadsOf, tellPieces, type PageFile, type Piece } from './build/preloads'

/** Declarations of libraries that have none of their own. */
const LIBRARIES = [
  '../core/src/base/numbers/jstat.d.ts',
  '../core/src/instruments/spindle/fft-js.d.ts',
  'build/made-by-build.d.ts',
]
const checks = {
  compilerOptions: { noUnusedLocals: true, noUncheckedIndexedAccess: true },
  include: LIBRARIES.map(l => `../${l}`),
}

/**
 * Libraries that the server needs before its first answer stand in its own file: to find and load four hundred files of
 * theirs took longer than everything else at its start.
 */
const AT_START = [
  'date-fns',
  'drizzle-orm',
  '@noble/hashes',
  'p-queue',
  'p-timeout',
  'eventemitter3',
  'yup',
  'property-expr',
  'tiny-case',
  'toposort',
  'fuse.js',
  'canonicalize',
  'yazl',
  'yauzl',
  'pend',
  'buffer-crc32',
  'jstat',
]
const atStart = new RegExp(`node_modules/(${AT_START.join('|')})/`)

let pages: PageFile[] = []
let pieces: readonly Piece[] = []
let fonts: readonly string[] = []

export default defineNuxtConfig({
  modules: ['@pinia/nuxt'],
  // One workshop on one machine: the pages are drawn in the browser, the server keeps the record.
  ssr: false,
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Wobrin',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'A bench companion for bringing old disk drives back into service.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  css: ['~/assets/main.css'],
  // Whatever is answered, files included, is what it says it is, and is shown in no other page.
  routeRules: {
    '/**': {
      headers: {
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'DENY',
        'cross-origin-resource-policy': 'same-origin',
        'referrer-policy': 'no-referrer',
      },
    },
  },
  experimental: { appManifest: false },
  compatibilityDate: '2026-06-01',
  nitro: {
    compressPublicAssets: { gzip: true, brotli: true },
    externals: { inline: [/@wobrin\/core/, atStart] },
    typescript: { tsConfig: { ...checks, include: LIBRARIES.map(l => `../${l}`) } },
  },
  vite: {
    plugins: [
      tailwindcss(),
      tellPieces(made => {
        pieces = made
      }),
    ],
    worker: { format: 'es' },
    // Small pieces go together: sixty requests take longer than the code in them.
    build: { chunkSizeWarningLimit: 900, rollupOptions: { output: { experimentalMinChunkSize: 40_000 } as object } },
  },
  typescript: { strict: true, tsConfig: checks, sharedTsConfig: checks, nodeTsConfig: checks },
  telemetry: false,
  hooks: {
    'build:manifest': manifest => {
      // Every piece of every page ahead of its time would hold up the first one.
      for (const part of Object.values(manifest)) part.prefetch = false
      fonts = fontsOf(manifest)
    },
    'pages:resolved': found => {
      pages = pageFiles(found)
    },
    'nitro:init': nitro => {
      nitro.options.virtual['#api-routes'] = () => {
        const routes = nitro.scannedHandlers.flatMap(({ route, method }) =>
          method ? [{ route, method: method.toUpperCase() }] : [],
        )
        return `export const routes = ${JSON.stringify(routes)}`
      }
      // While it is developed there are no pieces yet.
      nitro.options.virtual['#preloads'] = () =>
        `export const preloads = ${JSON.stringify(nitro.options.dev ? [] : preloadsOf(pages, pieces))}\nexport const fonts = ${JSON.stringify(fonts)}`
      nitro.hooks.hook('compiled', () =>
        finishServer(fileURLToPath(new URL('.', import.meta.url)), nitro.options.output.serverDir),
      )
    },
  },
})
