import type { Stretch } from './pageTokens.ts'
import { itemAt } from './present.ts'

/** What a page puts in from a file of its own, where the page names it. */
export interface Include extends Stretch {
  /** As it is written. */
  readonly raw: string
  /** What is put in: its path from the top of the site. */
  readonly path: string
}

/** `include`, `require` and the same once, of one name that is written out. https://www.php.net/manual/en/function.include.php */
const PHP_INCLUDE =
  /\b(?:include|require)(?:_once)?\b[\s(]{0,9}(?:(__DIR__|dirname\(__FILE__\)|\$_SERVER\[['"]DOCUMENT_ROOT['"]\])[\s.]{1,9})?(["'])([^"'\n]{1,300})\2/dg
/** https://httpd.apache.org/docs/2.4/mod/mod_include.html#element.include */
const SSI_INCLUDE = /<!--#include\s{1,20}(virtual|file)\s{0,20}=\s{0,20}(["'])([^"'\n]{1,300})\2/dg

/** A path without its steps up and its query. */
function plainPath(path: string): string {
  const kept: string[] = []
  for (const name of itemAt(path.split(/[?#]/), 0).split('/')) {
    if (name === '..') kept.pop()
    else if (name !== '.' && name !== '') kept.push(name)
  }
  return kept.join('/')
}

/** What a page puts in from files of their own, in the order of its source. @param from the path of the page */
export function includesIn(from: string, text: string): Include[] {
  const folder = from.slice(0, from.lastIndexOf('/') + 1)
  const found: Include[] = []
  const put = ([start, end]: readonly [number, number], fromRoot: boolean) => {
    const raw = text.slice(start, end)
    found.push({ start, end, raw, path: plainPath(fromRoot ? raw : folder + raw) })
  }
  if (text.includes('<?'))
    for (const { 1: base, indices } of text.matchAll(PHP_INCLUDE)) {
      const [start, end] = indices![3]!
      const fromRoot = base?.startsWith('$') ?? false
      // After the name of a folder a path goes on with a slash, which is not the root's.
      const skipped = base !== undefined && !fromRoot && text[start] === '/' ? 1 : 0
      put([start + skipped, end], fromRoot)
    }
  if (text.includes('<!--#include'))
    for (const { 1: kind, indices } of text.matchAll(SSI_INCLUDE)) {
      const [start, end] = indices![3]!
      put([start, end], kind === 'virtual' && text[start] === '/')
    }
  return found.sort((a, b) => a.start - b.start)
}
