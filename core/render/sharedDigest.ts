import { xxHash32 } from 'js-xxhash'
import { generatedPaths } from '../address/generated.ts'
import { filesByPath, isOfPieces, type Site } from '../plan/site.ts'
import { MENU_SCRIPT } from './menuScript.ts'
import { styleSheet } from './style/styleSheet.ts'

const digestOf = (text: string): string => xxHash32(text).toString(36) + text.length.toString(36)

const script = digestOf(MENU_SCRIPT)
const sheets = new WeakMap<Site['surround'], { readonly fonts: string; readonly digest: string }>()
const files = new WeakMap<Site['files'], string>()

function sheetDigest(site: Site): string {
  if (!isOfPieces(site)) return ''
  const { fonts } = generatedPaths(site)
  const known = sheets.get(site.surround)
  if (known?.fonts === fonts) return known.digest
  const digest = digestOf(styleSheet(site.surround, fonts))
  sheets.set(site.surround, { fonts, digest })
  return digest
}

function filesDigest(site: Site): string {
  const known = files.get(site.files)
  if (known !== undefined) return known
  const digest = digestOf(JSON.stringify(filesByPath(site).map(({ path, content }) => [path, content])))
  files.set(site.files, digest)
  return digest
}

/**
 * What tells a site from itself as it was when another file stood at a path, or the style sheet that is made for all pages
 * was another: as long as it is the same, so is every file that pages share. Small letters and digits.
 */
export const sharedDigest = (site: Site): string => sheetDigest(site) + filesDigest(site) + script
