import { encodePath, folderOf } from '../address/relative.ts'
import { rootPath } from '../address/href.ts'
import type { OutputFile } from '../formats/archive.ts'
import type { Site } from '../plan/site.ts'
import { type Encoding, UTF_8 } from '../standard/encoding.ts'
import { nameKey } from '../standard/fileName.ts'
import { valueFor } from '../standard/present.ts'
import type { IncludesBy } from './choices.ts'
import { type Candidate, candidatesIn } from './includeCandidates.ts'

type TextFile = Extract<OutputFile, { readonly text: unknown }>

/** How a server is told to put a file in: which pages it reads for that, what makes a page one of code, and the call. */
interface IncludeWay {
  readonly extension: string
  /** Where a page has any of its own, its elements may stand in the midst of it: such a page stays whole. */
  readonly code: string
  call(page: string, file: string, root: string): string
}

const WAYS: Readonly<Record<Exclude<IncludesBy, 'none'>, IncludeWay>> = {
  php: {
    extension: '.php',
    code: '<?',
    // A line break after the end of code belongs to it: https://www.php.net/manual/en/language.basic-syntax.phptags.php
    call: (page, file) => {
      const up = '../'.repeat(folderOf(page).split('/').length - 1)
      return `<?php readfile(__DIR__ . '/${up}${file.replace(/[\\']/g, '\\$&')}'); ?>\n`
    },
  },
  ssi: {
    extension: '.shtml',
    code: '<!--#',
    // From the top of the host: nginx knows no other (https://nginx.org/en/docs/http/ngx_http_ssi_module.html#commands).
    call: (_, file, root) => `<!--#include virtual="${root}${encodePath(file)}" -->`,
  },
}

/** In these, code that servers look for is written as in ASCII, and a file can be cut anywhere between characters. */
const IS_PLAIN = /^(?:utf-8|windows-\d+|iso-8859-\d+(?:-i)?|koi8-[ru]|macintosh|ibm866)$/

/** Whether a page can put files in, by its name. */
export const canInclude = (path: string, by: Exclude<IncludesBy, 'none'>): boolean =>
  nameKey(path).endsWith(WAYS[by].extension)

/** A part that several pages have, byte for byte. */
interface SharedPart {
  readonly text: string
  readonly encoding: Encoding
  readonly name: string
  uses: number
}

interface Page {
  readonly file: TextFile
  readonly text: string
  readonly encoding: Encoding
  readonly candidates: readonly Candidate[]
}

const keyOf = ({ encoding }: Page, text: string) => `${encoding.name}\n${text}`

/** What is put into files of its own: of what several pages have, the largest, and of that what at least two still use. */
function sharedParts(pages: readonly Page[]): {
  readonly parts: ReadonlyMap<string, SharedPart>
  readonly of: ReadonlyMap<Page, readonly Candidate[]>
} {
  const count = new Map<string, number>()
  const countIn = (page: Page, candidates: readonly Candidate[]): void => {
    for (const { start, end, inside } of candidates) {
      const key = keyOf(page, page.text.slice(start, end))
      count.set(key, (count.get(key) ?? 0) + 1)
      countIn(page, inside)
    }
  }
  for (const page of pages) countIn(page, page.candidates)
  const parts = new Map<string, SharedPart>()
  const chosen = (page: Page, candidates: readonly Candidate[]): Candidate[] =>
    candidates.flatMap((candidate) => {
      const text = page.text.slice(candidate.start, candidate.end)
      const key = keyOf(page, text)
      if (valueFor(count, key) < 2) return chosen(page, candidate.inside)
      const part = parts.get(key)
      if (part) part.uses++
      else parts.set(key, { text, encoding: page.encoding, name: candidate.name, uses: 1 })
      return [candidate]
    })
  const of = new Map(pages.map((page) => [page, chosen(page, page.candidates)]))
  // What stands on another page within what that page has from a file is used by this one alone.
  for (const [key, { uses }] of parts) if (uses < 2) parts.delete(key)
  return { parts, of }
}

/** A folder that the site has nothing in. */
function freeFolder(paths: readonly string[]): string {
  const taken = new Set(paths.map((path) => nameKey(path.split('/')[0]!)))
  let name = 'includes'
  for (let n = 2; taken.has(name); n++) name = `includes-${n}`
  return `${name}/`
}

/** Where each part goes: by what it is, the one that most pages have first. */
function pathsOf(parts: ReadonlyMap<string, SharedPart>, folder: string): Map<string, string> {
  const count = new Map<string, number>()
  const paths = new Map<string, string>()
  const byUse = [...parts].sort(([, a], [, b]) => b.uses - a.uses)
  for (const [key, { name }] of byUse) {
    const n = (count.get(name) ?? 0) + 1
    count.set(name, n)
    paths.set(key, `${folder}${name}${n === 1 ? '' : `-${n}`}.html`)
  }
  return paths
}

/**
 * The files of a finished site with what pages share in files of its own, which the server puts into them: every page comes
 * out as it was.
 */
export function* withIncludes(
  files: Iterable<OutputFile>,
  { settings }: Pick<Site, 'settings'>,
  by: Exclude<IncludesBy, 'none'>,
): Generator<OutputFile> {
  const { code, call } = WAYS[by]
  const all = [...files]
  const pages = new Map(
    all.flatMap((file): [OutputFile, Page][] => {
      if (!('text' in file) || !canInclude(file.path, by)) return []
      const { encoding = UTF_8 } = file
      const text = file.text()
      if (!IS_PLAIN.test(encoding.name) || text.includes(code)) return []
      return [[file, { file, text, encoding, candidates: candidatesIn(text) }]]
    }),
  )
  const { parts, of } = sharedParts([...pages.values()])
  const paths = pathsOf(parts, freeFolder(all.map(({ path }) => path)))
  const root = rootPath(settings.baseUrl)
  for (const file of all) {
    const page = pages.get(file)
    yield page ? { ...page.file, text: () => put(page) } : file
  }
  for (const [key, path] of paths) {
    const { text, encoding } = valueFor(parts, key)
    yield { path, text: () => text, encoding: { ...encoding, hasMark: false } }
  }

  /** A page with calls where its parts were. */
  function put(page: Page): string {
    const { text, file } = page
    let out = ''
    let at = 0
    for (const { start, end } of valueFor(of, page)) {
      const path = paths.get(keyOf(page, text.slice(start, end)))
      if (path === undefined) continue
      out += text.slice(at, start) + call(file.path, path, root)
      at = end
    }
    return out + text.slice(at)
  }
}
