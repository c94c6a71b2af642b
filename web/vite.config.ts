import { readdirSync } from 'node:fs'
import { readFile, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import vue from '@vitejs/plugin-vue'
import icons from 'unplugin-icons/vite'
import { defineConfig, type Plugin } from 'vite'
import { examplePages } from './examplePages.ts'
import { laterFiles } from './laterFilesPlugin.ts'
import { LEFT_TO_SHARED, sharedPackages } from './sharedPackages.ts'

/** The languages of the dictionaries that come with the screens, as their packages are called. */
const DICTIONARIES = ['en-gb', 'en', 'de', 'fr', 'es', 'it', 'nl', 'pt-pt', 'pt', 'pl']

/** The folder of a dictionary: its package gives out its data for Node alone. */
const dictionary = (language: string) => dirname(fileURLToPath(import.meta.resolve(`dictionary-${language}`)))

/** Smaller files gain nothing by being compressed. */
const LEAST_BYTES = 1000

/** Writes a compressed copy of a file in both codings, beside it. */
async function writeCompressed(path: string): Promise<void> {
  const bytes = await readFile(path)
  if (bytes.length < LEAST_BYTES) return
  // The most that brotli can do takes several times as long, and gains two in a hundred bytes; of a table it gains four.
  const isData = /\.(?:dic|aff|wasm)$/.test(path)
  const isTable = /any-ascii/.test(path)
  const params = {
    [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    [constants.BROTLI_PARAM_QUALITY]: isData ? 6 : isTable ? 11 : 10,
  }
  await writeFile(`${path}.br`, await promisify(brotliCompress)(bytes, { params }))
  await writeFile(`${path}.gz`, await promisify(gzip)(bytes))
}

/** Puts a compressed copy beside every file that gains by it; the server gives these out (server/routes/screens.ts). */
const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  enforce: 'post',
  async closeBundle() {
    const dir = 'dist'
    const names = readdirSync(dir, { recursive: true, encoding: 'utf8' })
    // As many at once as zlib has threads.
    await Promise.all(
      names
        .filter((name) => /\.(?:js|css|svg|dic|aff|wasm)$/.test(name))
        .map((name) => writeCompressed(join(dir, name))),
    )
  },
})

/**
 * What the list of sites needs is one file, and what a site is opened with beside that another: a browser asks for few
 * files at a time, and dozens would wait for each other.
 */
const CHUNKS = [
  { name: 'list', tags: ['$initial' as const], priority: 2 },
  { name: 'site', test: /\/screens\/(?:site\/SiteFrame|plan\/PlanScreen)\.vue$/, priority: 1 },
]

export default defineConfig({
  plugins: [vue(), icons({ compiler: 'vue3' }), sharedPackages(), examplePages(), laterFiles(), compressed()],
  resolve: {
    alias: Object.fromEntries(
      DICTIONARIES.map((language) => [`@dictionaries/${language}`, dictionary(language)]),
    ),
  },
  worker: { format: 'es', rollupOptions: LEFT_TO_SHARED },
  build: {
    chunkSizeWarningLimit: 2000,
    rolldownOptions: {
      ...LEFT_TO_SHARED,
      output: { ...LEFT_TO_SHARED.output, codeSplitting: { groups: CHUNKS } },
    },
  },
})
