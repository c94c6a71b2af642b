import { encodePath, folderOf } from '../../address/relative.ts'
import { decoded } from '../../pointer/pointer.ts'
import { nameKey } from '../../standard/fileName.ts'
import { asBrowsersRead, resolveReference, splitReference } from '../../standard/reference.ts'

/** Where a reference of a page leads. */
export type Target =
  | {
      readonly to: 'file'
      /** As the file is called, whatever the reference says of its case. */
      readonly path: string
      /** What is asked of it, and the part of it: `?x#y`, as written. */
      readonly tail: string
      readonly isOtherCase: boolean
    }
  /** Within the site, where nothing stands. */
  | { readonly to: 'nothing'; readonly path: string; readonly tail: string }
  | { readonly to: 'away'; readonly url: string }
  /** An empty one, `#` with or without a name of the same page, or a script. */
  | { readonly to: 'here'; readonly tail: string }

/** A target in one line: references with the same key lead to the same place. */
export function targetKey(target: Target): string {
  switch (target.to) {
    case 'file':
    case 'nothing':
      return `/${target.path}${target.tail}`
    case 'away':
      return target.url
    case 'here':
      return target.tail
  }
}

const ORIGIN = 'http://own.invalid/'
/** What web servers give for a folder, in the order that is usual. */
const INDEX_FILES = [
  'index.html',
  'index.htm',
  'index.php',
  'index.shtml',
  'default.htm',
  'default.html',
  'home.html',
  'index.xhtml',
]

/** How the folder came to its visitors: what stands before its paths in whole addresses and in those from the root. */
export interface Published {
  /** Ending in `/`; empty where no page tells it. */
  readonly baseUrl: string
  /** What addresses from the root of the host begin with, `/` at both ends. */
  readonly root: string
}

/** Finds where references lead. */
export class Targets {
  readonly #paths: ReadonlySet<string>
  readonly #byKey = new Map<string, string>()
  /** By folder and reference. */
  readonly #resolvedIn = new Map<string, Target>()
  readonly published: Published

  /** @param paths of all files */
  constructor(paths: Iterable<string>, published: Published = { baseUrl: '', root: '/' }) {
    this.#paths = new Set(paths)
    for (const path of this.#paths) if (!this.#byKey.has(nameKey(path))) this.#byKey.set(nameKey(path), path)
    this.published = published
  }

  /** The file that a plain path means; a folder means what servers give for it. */
  fileAt(path: string): { path: string; isOtherCase: boolean } | undefined {
    const names = path === '' || path.endsWith('/') ? INDEX_FILES.map((name) => path + name) : [path]
    const exact = names.find((name) => this.#paths.has(name))
    if (exact !== undefined) return { path: exact, isOtherCase: false }
    for (const name of names) {
      const other = this.#byKey.get(nameKey(name))
      if (other !== undefined) return { path: other, isOtherCase: true }
    }
    // Servers send on from a folder without its slash.
    return path !== '' && !path.endsWith('/') && !path.slice(path.lastIndexOf('/') + 1).includes('.')
      ? this.fileAt(`${path}/`)
      : undefined
  }

  /**
   * Menus say the same on all pages of a folder: what was resolved there is remembered.
   * @param from the path of the page
   * @param base what a `base` element of it says
   */
  resolve(from: string, reference: string, base?: string): Target {
    // What begins with a query stands on the name of the page.
    if (base !== undefined || reference.includes('?')) return this.#resolved(from, reference, base)
    const key = `${folderOf(from)}\n${reference}`
    let target = this.#resolvedIn.get(key)
    if (!target) {
      target = this.#resolved(from, reference, undefined)
      this.#resolvedIn.set(key, target)
    }
    return target
  }

  #resolved(from: string, reference: string, base: string | undefined): Target {
    const text = asBrowsersRead(reference)
    if (text === '' || text.startsWith('#')) return { to: 'here', tail: text }
    if (/^(?:javascript|data|mailto|tel|ftp|news|file|callto|sms|about|blob|urn|irc):/i.test(text))
      return /^javascript:/i.test(text) ? { to: 'here', tail: text } : { to: 'away', url: text }
    const { baseUrl, root } = this.published
    const page = resolveReference(ORIGIN + encodePath(from), base === undefined ? '' : asBrowsersRead(base))
    const url = resolveReference(page, text)
    const { scheme, authority, path, query, fragment } = splitReference(url)
    const tail = (query === undefined ? '' : `?${query}`) + (fragment === undefined ? '' : `#${fragment}`)
    const within = (inSite: string): Target => {
      const plain = decoded(inSite)
      const file = this.fileAt(plain)
      return file ? { to: 'file', ...file, tail } : { to: 'nothing', path: plain, tail }
    }
    const whole = `${scheme}://${authority}${path}`
    if (baseUrl !== '') {
      const own = baseUrl.replace(/^https?:/i, '').toLowerCase()
      const said = whole.replace(/^[a-z]+:/i, '')
      if (said.toLowerCase().startsWith(own)) return within(said.slice(own.length))
      if (`${said.toLowerCase()}/` === own) return within('')
    }
    if (`${scheme}://${authority}/` !== ORIGIN) return { to: 'away', url }
    const fromRoot = text.startsWith('/') && !text.startsWith('//') && path.startsWith(root)
    return within(fromRoot ? path.slice(root.length) : path.slice(1))
  }
}

/** The most that is looked at to learn how a site is published. */
const MOST_LOOKED_AT = 20_000

/**
 * Learns where the folder was published from what its pages say: their canonical addresses, links with a whole address
 * that names files of the folder, and links from the root of the host.
 */
export function publishedAt(
  paths: readonly string[],
  references: Iterable<{ readonly from: string; readonly reference: string; readonly isCanonical: boolean }>,
): Published {
  const targets = new Targets(paths)
  const bases = new Map<string, number>()
  const roots = new Map<string, number>()
  const count = (counts: Map<string, number>, key: string, by: number) =>
    counts.set(key, (counts.get(key) ?? 0) + by)
  let looked = 0
  for (const { from, reference, isCanonical } of references) {
    if (++looked > MOST_LOOKED_AT) break
    const text = asBrowsersRead(reference)
    if (/^https?:\/\//i.test(text)) {
      const { scheme, authority, path } = splitReference(text)
      const segments = path.split('/').slice(1)
      if (isCanonical) {
        const own = [encodePath(from), encodePath(from).replace(/(^|\/)index\.\w+$/, '$1')].find((one) =>
          path.endsWith(`/${one}`),
        )
        if (own !== undefined)
          count(bases, `${scheme}://${authority}${path.slice(0, path.length - own.length)}`, 5)
        continue
      }
      for (let cut = 0; cut < Math.min(segments.length, 4); cut++) {
        const rest = decoded(segments.slice(cut).join('/'))
        // The top of a host may be anybody's.
        if (rest === '' || !targets.fileAt(rest) || targets.fileAt(rest)?.isOtherCase) continue
        count(
          bases,
          `${scheme}://${authority}/${segments
            .slice(0, cut)
            .map((one) => `${one}/`)
            .join('')}`,
          1,
        )
        break
      }
    } else if (text.startsWith('/') && !text.startsWith('//')) {
      const segments = splitReference(text).path.split('/').slice(1)
      for (let cut = 0; cut < Math.min(segments.length, 4); cut++) {
        const rest = decoded(segments.slice(cut).join('/'))
        if (rest === '' && cut < segments.length - 1) continue
        if (!targets.fileAt(rest)) continue
        count(
          roots,
          `/${segments
            .slice(0, cut)
            .map((one) => `${one}/`)
            .join('')}`,
          1,
        )
        break
      }
    }
  }
  const best = (counts: Map<string, number>) => [...counts].sort(([, a], [, b]) => b - a)[0]
  const base = best(bases)
  const root = best(roots)
  const baseUrl = base && base[1] >= 2 ? base[0] : ''
  const rootOfBase = baseUrl === '' ? '/' : baseUrl.replace(/^https?:\/\/[^/]*/i, '')
  return { baseUrl, root: root?.[0] ?? rootOfBase }
}
