import { addressesOf } from '../address/addresses.ts'
import { redirectsOf } from '../address/redirects.ts'
import { walk } from '../plan/plan.ts'
import { filesByPath, isWritten, type Site } from '../plan/site.ts'
import { MENU_SCRIPT, MENU_SCRIPT_PATH } from '../render/menuScript.ts'
import { renderRedirect } from '../render/redirect.ts'
import { createRenderer } from '../render/renderer.ts'
import { STYLE_SHEET, STYLE_SHEET_PATH } from '../render/styleSheet.ts'

/** A file of the finished site: text that is made when it is asked for, or the key of bytes in the contents. */
export type OutputFile = { readonly path: string } & (
  { readonly text: () => string } | { readonly content: string }
)

/** The files of the finished site that are the same for every plan, by path. */
export const FIXED_FILES: ReadonlyMap<string, string> = new Map([
  [STYLE_SHEET_PATH, STYLE_SHEET],
  [MENU_SCRIPT_PATH, MENU_SCRIPT],
])

/** Every file of the finished site, pages in plan order first. A page's text is made only when it is called for. */
export function* outputFiles(site: Site): Generator<OutputFile> {
  const renderer = createRenderer(site)
  const { paths } = addressesOf(site)
  for (const { entry } of walk(site.plan)) {
    if (isWritten(site, entry)) yield { path: paths.get(entry.id)!, text: () => renderer.page(entry.id) }
  }
  for (const redirect of redirectsOf(site)) {
    if (redirect.rests === undefined)
      yield { path: redirect.from, text: () => renderRedirect(site, redirect) }
  }
  for (const [path, text] of FIXED_FILES) yield { path, text: () => text }
  for (const file of filesByPath(site)) yield { path: file.path, content: file.content }
}
