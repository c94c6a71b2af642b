import { addressesOf } from '../address/addresses.ts'
import { redirectsOf } from '../address/redirects.ts'
import { walk } from '../plan/plan.ts'
import { filesByPath, isWritten, type Site } from '../plan/site.ts'
import { generatedPaths } from '../address/generated.ts'
import { MENU_SCRIPT } from '../render/menuScript.ts'
import { renderRedirect } from '../render/redirect.ts'
import { createPageWriter } from '../render/pageWriter.ts'
import { fontFilesOf } from '../render/style/openFonts.ts'
import type { Encoding } from '../standard/encoding.ts'
import { styleSheet } from '../render/style/styleSheet.ts'
import { valueFor } from '../standard/present.ts'

/** Text that is made when it is asked for, the key of bytes in the contents, or the name of a file of an open font. */
export type FileSource =
  | { readonly text: () => string; readonly encoding?: Encoding }
  | { readonly content: string }
  | { readonly font: string }
/** A file of the finished site. */
export type OutputFile = { readonly path: string } & FileSource

/** The files that Viatica makes for all pages of the finished site together. */
export function sharedFiles(site: Site): readonly OutputFile[] {
  const { surround } = site
  if (surround.kind === 'templates') return []
  const { ourStyles, ourScript } = surround.headFiles
  const paths = generatedPaths(site)
  return [
    ...(ourStyles
      ? [
          { path: paths.style, text: () => styleSheet(surround, paths.fonts) },
          ...fontFilesOf(surround.look).map((font) => ({ path: paths.fonts + font, font })),
        ]
      : []),
    ...(ourScript ? [{ path: paths.script, text: () => MENU_SCRIPT }] : []),
  ]
}

/**
 * Every file of the finished site, pages in plan order first. A page's text is made only when it is called for.
 * @param year of the build
 */
export function* outputFiles(site: Site, year: number): Generator<OutputFile> {
  const writer = createPageWriter(site, year)
  const { paths } = addressesOf(site)
  for (const { entry } of walk(site.plan)) {
    if (!isWritten(site, entry)) continue
    const { id } = entry
    const encoding = writer.encodingOf(id)
    yield { path: valueFor(paths, id), text: () => writer.page(id), ...(encoding ? { encoding } : {}) }
  }
  for (const redirect of redirectsOf(site)) {
    if (redirect.rests === undefined)
      yield { path: redirect.from, text: () => renderRedirect(site, redirect) }
  }
  yield* sharedFiles(site)
  const included = new Map(writer.includedFiles().map((one) => [one.file, one]))
  for (const { id, path, content } of filesByPath(site)) {
    const part = included.get(id)
    yield part ? { path, text: () => part.text, encoding: part.encoding } : { path, content }
  }
}
