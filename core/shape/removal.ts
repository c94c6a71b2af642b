import { addressesOf } from '../address/addresses.ts'
import { redirectsOf, redirectStarts } from '../address/redirects.ts'
import { valueFor } from '../standard/present.ts'
import { followLinks } from './followLinks.ts'
import { unlinked } from './unlinked.ts'
import { applyChange } from '../plan/change/apply.ts'
import type { Change, SingleChange } from '../plan/change/change.ts'
import { changeWords } from '../plan/change/changeWords.ts'
import { labelOf, type LinkTarget } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isWritten, type OwnRedirect, type Site } from '../plan/site.ts'
import { templatesOf } from '../plan/surround/surround.ts'
import type { Templates } from '../plan/surround/templates.ts'
import { withHtmlReferences } from '../pointer/inHtml.ts'
import { readPointer, writePointer } from '../pointer/pointer.ts'
import { nameKey } from '../standard/fileName.ts'
import { removeAll, topmost, type UnderRemoved } from './shape.ts'

/** Links to removed entries: they remain without a target, get the new page as their target, or become text. */
export type LinksToRemoved = 'stay' | 'follow' | 'text'

/** What becomes of entries that are removed, and of what leads to them. */
export interface RemovalChoice {
  readonly under: UnderRemoved
  /** The page that their addresses redirect to, and that links follow to; undefined where there is none. */
  readonly to: EntryId | undefined
  readonly links: LinksToRemoved
}

/** The entries that a removal takes away. */
export function removedBy({ plan }: Site, ids: readonly EntryId[], under: UnderRemoved): Set<EntryId> {
  const going =
    under === 'move-up'
      ? ids.filter((id) => id !== plan.home)
      : topmost(plan, ids).flatMap((id) => [...walk(plan, id)].map(({ entry }) => entry.id))
  return new Set(going)
}

/** The removal with what the author chose for links and addresses, as one change; undefined where nothing is removed. */
export function removalWith(site: Site, ids: readonly EntryId[], choice: RemovalChoice): Change | undefined {
  const removal = removeAll(site, ids, choice.under)
  if (!removal) return undefined
  const gone = removedBy(site, ids, choice.under)
  const links = linkChanges(site, gone, choice)
  // Once the pages are gone, their addresses are free.
  const redirects = redirectChanges(site, gone, removal, choice.to)
  if (links.length + redirects.length === 0) return removal
  return {
    kind: 'batch',
    words: changeWords(site, removal),
    changes: [...links, ...(removal.kind === 'batch' ? removal.changes : [removal]), ...redirects],
  }
}

function linkChanges(site: Site, gone: ReadonlySet<EntryId>, { to, links }: RemovalChoice): SingleChange[] {
  const isGone = (id: EntryId) => gone.has(id)
  switch (links) {
    case 'stay':
      return []
    case 'text':
      return followLinks(site, { target: (target) => target, html: (html) => unlinked(html, isGone) }, isGone)
    case 'follow': {
      if (to === undefined) return []
      const target = (at: LinkTarget): LinkTarget =>
        at.to === 'entry' && gone.has(at.entry) ? { to: 'entry', entry: to, fragment: '' } : at
      const html = (source: string) =>
        withHtmlReferences(source, (url) => {
          const pointer = readPointer(url)
          return pointer?.to === 'entry' && gone.has(pointer.id)
            ? writePointer({ ...pointer, id: to, fragment: '' })
            : undefined
        })
      return [...followLinks(site, { target, html }, isGone), ...templateChanges(site, gone, to)]
    }
  }
}

/** The references of templates, patterns and pages of their own that follow to another page. */
function templateChanges({ surround }: Site, gone: ReadonlySet<EntryId>, to: EntryId): SingleChange[] {
  const templates = templatesOf(surround)
  if (!templates) return []
  const value = followed(templates, gone, to) as Templates
  return value === templates ? [] : [{ kind: 'setSurround', field: 'templates', value }]
}

/** Data in which addresses of entries follow; the same object where none does. See `addressSchema`. */
function followed(value: unknown, gone: ReadonlySet<EntryId>, to: EntryId): unknown {
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) {
    const next = value.map((one: unknown) => followed(one, gone, to))
    return next.every((one, at) => one === value[at]) ? value : next
  }
  const fields = value as Readonly<Record<string, unknown>>
  if (fields['to'] === 'entry' && typeof fields['id'] === 'string' && gone.has(fields['id']))
    // The new page has no such part.
    return { ...fields, id: to, tail: String(fields['tail'] ?? '').replace(/#.*/s, '') }
  const next = Object.entries(fields).map(([key, one]) => [key, followed(one, gone, to)] as const)
  return next.every(([key, one]) => one === fields[key]) ? value : Object.fromEntries(next)
}

/** Redirects from all addresses that led to removed pages. */
function redirectChanges(
  site: Site,
  gone: ReadonlySet<EntryId>,
  removal: Change,
  to: EntryId | undefined,
): SingleChange[] {
  if (to === undefined) return []
  const { paths } = addressesOf(site)
  const leading = { to: 'entry', entry: to, fragment: '' } as const
  const redirects = site.settings.redirects.map((one): OwnRedirect =>
    one.to.to === 'entry' && gone.has(one.to.entry) ? { ...one, to: leading } : one,
  )
  const there = new Set(redirects.map(({ from }) => nameKey(from)))
  const isFree = redirectStarts(applyChange(site, removal).site)
  const ended = [
    ...[...gone].flatMap((id) => (isWritten(site, site.plan.entries.get(id)) ? [valueFor(paths, id)] : [])),
    ...redirectsOf(site).flatMap((one) =>
      one.origin === 'pin' && one.to.to === 'entry' && gone.has(one.to.entry) ? [one.from] : [],
    ),
  ]
  for (const from of ended) {
    if (there.has(nameKey(from)) || !isFree(from)) continue
    there.add(nameKey(from))
    redirects.push({ from, to: leading })
  }
  const { redirects: before } = site.settings
  const isSame = redirects.length === before.length && redirects.every((one, at) => one === before[at])
  return isSame ? [] : [{ kind: 'setSite', field: 'redirects', value: redirects }]
}

/** The pages that the addresses of removed entries may redirect to, the likeliest first: the page above, and a like one. */
export function successorsOf(site: Site, gone: ReadonlySet<EntryId>): EntryId[] {
  const { plan } = site
  const [first] = gone
  if (first === undefined) return []
  const canBe = (id: EntryId) => !gone.has(id) && isWritten(site, plan.entries.get(id))
  let above = plan.parents.get(first)
  while (above !== undefined && !canBe(above)) above = plan.parents.get(above)
  const like = likest(site, first, canBe)
  return [...new Set([above, like].filter((id) => id !== undefined))]
}

const wordsIn = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}]{3,}/gu) ?? [])

/** The page whose label shares most words with that of an entry; undefined where none shares half of them. */
function likest({ plan }: Site, id: EntryId, canBe: (id: EntryId) => boolean): EntryId | undefined {
  const wanted = wordsIn(labelOf(entryOf(plan, id)))
  let best: { readonly id: EntryId; readonly share: number } | undefined
  for (const { entry } of walk(plan)) {
    if (!canBe(entry.id)) continue
    const words = wordsIn(labelOf(entry))
    const shared = [...words].filter((word) => wanted.has(word)).length
    const share = shared / Math.max(wanted.size, words.size, 1)
    if (share >= 0.5 && share > (best?.share ?? 0)) best = { id: entry.id, share }
  }
  return best?.id
}
