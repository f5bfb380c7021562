import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { finishServer } from './build/finish-server'

export default defineNuxtConfig({
  modules: ['@pinia/nuxt'],
  // One workshop on one machine: the pages are drawn in the browser, the server keeps the record.
  ssr: false,
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Wobrin',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'A bench companion for bringing old disk drives back into service.' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  css: ['~/assets/main.css'],
  experimental: { appManifest: false },
  compatibilityDate: '2026-06-01',
  nitro: {
    externals: { inline: [/@wobrin\/core/] },
  },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    build: { chunkSizeWarningLimit: 900 },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUnusedLocals: true } } },
  telemetry: false,
  hooks: {
    'nitro:init': (nitro) => {
      nitro.hooks.hook('compiled', () => finishServer(fileURLToPath(new URL('.', import.meta.url)), nitro.options.output.serverDir))
    },
  },
})
