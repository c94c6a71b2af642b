import { createRequire } from 'node:module'
import { dirname } from 'node:path'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'

/** The folder of a dictionary: its package gives out its data for Node alone. */
const dictionary = (name: string) => dirname(createRequire(import.meta.url).resolve(name))

export default defineConfig({
  plugins: [vue()],
  resolve: {
    alias: {
      '@dictionaries/en-gb': dictionary('dictionary-en-gb'),
      '@dictionaries/en': dictionary('dictionary-en'),
    },
  },
  worker: { format: 'es' },
  build: { chunkSizeWarningLimit: 2000 },
  // For work on the screens: `npx vite` in this folder, beside a running `npm start`.
  server: { proxy: { '/api': 'http://127.0.0.1:4310', '/preview': 'http://127.0.0.1:4310' } },
})
