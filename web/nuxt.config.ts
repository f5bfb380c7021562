import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { finishServer } from './build/finish-server'

export default defineNuxtConfig({
  compatibilityDate: '2026-06-01',
  modules: ['@pinia/nuxt'],
  // One workshop on one machine: the pages are drawn in the browser, the server keeps the record.
  ssr: false,
  devtools: { enabled: false },
  telemetry: false,
  css: ['~/assets/main.css'],
  app: {
    head: {
      title: 'Wobrin',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }, { name: 'description', content: 'A workbench for bringing old disk drives back into service.' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  runtimeConfig: {
    // Where the built server's companions (migrations, worker, fonts) stand; set by the build.
    companions: '',
  },
  experimental: { appManifest: false },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    build: { chunkSizeWarningLimit: 900 },
  },
  nitro: {
    externals: { inline: [/@wobrin\/core/] },
    rollupConfig: { external: [] },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUnusedLocals: true } } },
  hooks: {
    'nitro:init': (nitro) => {
      nitro.hooks.hook('compiled', () => finishServer(fileURLToPath(new URL('.', import.meta.url)), nitro.options.output.serverDir))
    },
  },
})
