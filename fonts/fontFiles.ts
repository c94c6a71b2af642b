import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const { resolve } = createRequire(import.meta.url)

/** The folder of a package of Fontsource. */
const folderOf = (font: string) => dirname(resolve(`@fontsource/${font}/package.json`))

/**
 * The bytes of a file of an open font, or of its licence.
 * @param name as the core names it: `literata-latin-400-normal.woff2`, `literata-licence.txt`
 * @throws Error for a name that is none of ours
 */
export function fontBytes(name: string): Buffer {
  const [, font, rest] =
    /^([a-z0-9-]+?)-((?:latin|latin-ext)-\d+-[a-z]+\.woff2|licence\.txt)$/.exec(name) ?? []
  if (!font || !rest) throw new Error(`There is no font file ${name}.`)
  return readFileSync(
    rest === 'licence.txt' ? join(folderOf(font), 'LICENSE') : join(folderOf(font), 'files', name),
  )
}
