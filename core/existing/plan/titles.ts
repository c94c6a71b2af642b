import { itemAt, lastOf, valueFor } from '../../standard/present.ts'
import { collect } from '../collect.ts'
import { directionOf, nameInPager } from '../parts/directions.ts'
import type { FoundParts } from '../parts/recognise.ts'
import { most } from '../most.ts'
import { plainName, type ReadFolder, titleParts, trimmedOf } from '../pages/folder.ts'
import type { ReadPage } from '../pages/readPage.ts'

/** How the pages are called, and what their titles have in common. */
export interface Titles {
  /** As `documentTitle` takes it: `{title} | {site}`. */
  readonly pattern: string
  readonly site: string
  readonly titles: ReadonlyMap<string, PageTitle>
}

interface PageTitle {
  readonly title: string
  /** As menus call it. */
  readonly label: string
  readonly heading: string
  /** Whether its title, or its heading, was left from the page that it was copied from. */
  readonly isTitleCopied: boolean
  readonly isHeadingCopied: boolean
}

/** What the titles of most pages end with, or begin with: the sign between, and the name of the site. */
function commonPart(pages: readonly ReadPage[]): { before: string; after: string } {
  const titles = pages.flatMap(({ title }) => (title ? [title.text] : []))
  const counts = new Map<string, number>()
  const count = (key: string) => counts.set(key, (counts.get(key) ?? 0) + 1)
  for (const title of titles) {
    const parts = titleParts(title)
    if (parts.length < 2) continue
    const last = title.slice(
      title.lastIndexOf(parts[parts.length - 2]!) + itemAt(parts, parts.length - 2).length,
    )
    const first = title.slice(0, title.indexOf(parts[1]!, itemAt(parts, 0).length))
    count(`after\n${last}`)
    count(`before\n${first}`)
  }
  const best = [...counts].sort(([, a], [, b]) => b - a)[0]
  if (!best || best[1] * 2 <= titles.length || best[1] < 2) return { before: '', after: '' }
  const [where, text] = best[0].split('\n') as [string, string]
  return where === 'after' ? { before: '', after: text } : { before: text, after: '' }
}

/**
 * The short names of pages: as menus have them, else as breadcrumbs do, else as most links to them, at last as
 * pagers do, without the words of these.
 */
function labelsOf(
  folder: ReadFolder,
  { menus, shared, breadcrumbs, pagers }: FoundParts,
): Map<string, string> {
  const said = new Map<string, string[]>()
  const say = (path: string, label: string) => {
    if (label !== '') said.set(path, [...(said.get(path) ?? []).slice(-50), label])
  }
  const take = (labels: Map<string, string>) => {
    for (const [path, all] of said) labels.set(path, most(all)!)
    said.clear()
  }
  const labels = new Map<string, string>()
  for (const { links } of pagers)
    for (const item of Object.values(links))
      if (item.link?.target.to === 'file') say(item.link.target.path, nameInPager(item.label))
  take(labels)
  const ofPagers = new Set(pagers.flatMap(({ group }) => group.items.map(({ link }) => link)))
  for (const page of folder.pages)
    for (const link of page.links)
      if (
        link.target.to === 'file' &&
        link.target.tail === '' &&
        !ofPagers.has(link) &&
        !directionOf({ link, label: link.label })
      )
        say(link.target.path, link.label)
  take(labels)
  const named = new Map<string, Set<string>>()
  for (const [path, names] of folder.names)
    for (const name of names) named.set(name, (named.get(name) ?? new Set()).add(path))
  const isOfOther = (path: string, label: string) => {
    const owners = named.get(plainName(label))
    return owners !== undefined && !owners.has(path)
  }
  for (const { groups } of breadcrumbs)
    for (const { page, items } of groups) {
      for (const item of items) if (item.link?.target.to === 'file') say(item.link.target.path, item.label)
      const last = lastOf(items)
      if (!last.link && items.length > 1 && !isOfOther(page.path, last.label)) say(page.path, last.label)
    }
  take(labels)
  for (const { entries } of [...shared, ...menus].reverse())
    for (const { path, label } of entries) if (path !== undefined && label !== '') labels.set(path, label)
  return labels
}

/** What all pages are called; what was left over from the page that one was copied from is told apart. */
export function titlesOf(folder: ReadFolder, parts: FoundParts): Titles {
  const { before, after } = commonPart(folder.pages)
  const site = trimmedOf(after || before, (sign) => /[\s|·•–—:»›«‹~/-]/.test(sign))
  const labels = labelsOf(folder, parts)
  const bare = (title: string) => {
    if (after !== '' && title.endsWith(after) && title.length > after.length)
      return title.slice(0, -after.length)
    if (before !== '' && title.startsWith(before) && title.length > before.length)
      return title.slice(before.length)
    return title
  }
  const titleOf = new Map(folder.pages.map((page) => [page.path, page.title ? bare(page.title.text) : '']))
  const sharing = (text: (page: ReadPage) => string) => {
    const shared = new Map<string, string[]>()
    for (const page of folder.pages) {
      const name = plainName(text(page))
      if (name !== '') collect(shared, name, page.path)
    }
    return shared
  }
  const byTitle = sharing((page) => valueFor(titleOf, page.path))
  const byHeading = sharing((page) => page.heading?.text ?? '')
  const stem = (path: string) =>
    plainName(
      path
        .slice(path.lastIndexOf('/') + 1)
        .replace(/\.[^.]*$/, '')
        .replace(/[-_]+/g, ' '),
    )

  const isHeaded = (text: string, path: string) =>
    plainName(valueFor(folder.byPath, path).heading?.text ?? '') === plainName(text)
  const titles = new Map<string, PageTitle>()
  for (const page of folder.pages) {
    const { path } = page
    // A home page that is called as the site says nothing of its own.
    const isNamedAsSite =
      path === folder.home && site !== '' && plainName(valueFor(titleOf, path)) === plainName(site)
    const said = isNamedAsSite ? '' : valueFor(titleOf, path)
    const heading = page.heading?.text ?? ''
    const label = labels.get(path) ?? ''
    const agrees = (text: string, of: string) => {
      const name = plainName(text)
      return (
        name !== '' &&
        [labels.get(of) ?? '', stem(of)].some((other) => {
          const there = plainName(other)
          return there === name || (there.length > 3 && (name.includes(there) || there.includes(name)))
        })
      )
    }
    const others = (byTitle.get(plainName(said)) ?? []).filter((other) => other !== path)
    const isTitleCopied =
      said !== '' &&
      !agrees(said, path) &&
      plainName(heading) !== plainName(said) &&
      others.some((other) => agrees(said, other) || isHeaded(said, other))
    const headed = [
      ...(byHeading.get(plainName(heading)) ?? []),
      ...(byTitle.get(plainName(heading)) ?? []),
    ].filter((other) => other !== path)
    const isHeadingCopied =
      heading !== '' &&
      !agrees(heading, path) &&
      plainName(heading) !== plainName(said) &&
      headed.some(
        (other) => agrees(heading, other) || plainName(valueFor(titleOf, other)) === plainName(heading),
      )
    const own = isTitleCopied ? (isHeadingCopied ? '' : heading) : said
    const title =
      own || (isNamedAsSite ? heading : '') || label || (isHeadingCopied ? '' : heading) || said || stem(path)
    titles.set(path, {
      title,
      label: label || title,
      heading: isHeadingCopied ? '' : heading,
      isTitleCopied,
      isHeadingCopied,
    })
  }
  const safe = (text: string) => text.replaceAll(site, '{site}')
  const pattern =
    after !== '' ? `{title}${safe(after)}` : before !== '' ? `${safe(before)}{title}` : '{title}'
  return { pattern, site, titles }
}
