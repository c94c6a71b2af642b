import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js'
import type { Plugin } from 'vite'

/** The folder of hand-made pages that Viatica can be tried with. */
const FOLDER = fileURLToPath(new URL('../demo/pages', import.meta.url))
/** The same moment in every build. */
const LAST_CHANGE = new Date(Date.UTC(2000, 0, 1))

const FILE_NAME = 'examples/pages.zip'

/** Makes an archive of the folder. */
async function archive(): Promise<Uint8Array> {
  const zip = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false })
  const entries = readdirSync(FOLDER, { recursive: true, encoding: 'utf8', withFileTypes: true })
  for (const path of entries
    .filter((entry) => entry.isFile())
    .map((one) => join(one.parentPath, one.name))
    .sort())
    await zip.add(path.slice(FOLDER.length + 1), new Uint8ArrayReader(new Uint8Array(readFileSync(path))), {
      lastModDate: LAST_CHANGE,
    })
  return zip.close()
}

/** Serves the folder with the screens as an archive: a build would write style sheets anew. */
export const examplePages = (): Plugin => ({
  name: 'example-pages',
  configureServer({ middlewares }) {
    middlewares.use(`/${FILE_NAME}`, (_request, response, next) => {
      archive().then((bytes) => response.end(bytes), next)
    })
  },
  async generateBundle() {
    this.emitFile({ type: 'asset', fileName: FILE_NAME, source: await archive() })
  },
})
