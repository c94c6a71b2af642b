import { type SaxesAttributeNS, SaxesParser, type SaxesTagNS } from 'saxes'
import { x } from 'xastscript'
import { toXml } from 'xast-util-to-xml'
import * as v from 'valibot'
import { addressesOf } from '../address/addresses.ts'
import type { Addresses } from '../address/layout.ts'
import { absoluteUrl } from '../address/href.ts'
import { fragmentHref } from '../address/relative.ts'
import { type Branch, branchSchema, entriesOfBranch, planOfBranch } from '../plan/branch.ts'
import { type LinkEntry, type LinkTarget, targetSchema } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import {
  ancestorsOf,
  childrenOf,
  entryOf,
  MAX_ENTRIES,
  MAX_LEVELS,
  type Plan,
  placeOf,
} from '../plan/plan.ts'
import { type Site, siteWith } from '../plan/site.ts'
import { soundFileName } from '../standard/fileName.ts'
import { shortened } from '../standard/text.ts'
import { isAllowedTarget } from '../standard/target.ts'
import { checkSize, InputFault, type TextPlace } from './inputFault.ts'

/**
 * OPML says where a link leads by an address on the web. Where one leads to a page of the plan, that page is
 * named by its way from the home page (`0.2.1`: the first child of the second) in a namespace of our own, as
 * OPML 2.0 allows; the fragment stands beside it.
 */
const NAMESPACE = 'urn:viatica:plan'
/** The way to a page that is not in the plan any more. */
const GONE = 'gone'

/** Elements of other namespaces may stand between outlines; so deep stands nothing that is meant to be read. */
const MAX_DEPTH = 100
/** More of a title than is ever used. */
const MOST_TITLE = 10_000

/** An outline element of the file, with the place of its tag. */
interface Outline {
  readonly attributes: Readonly<Record<string, string>>
  /** Attributes of our own namespace. */
  readonly own: Readonly<Record<string, string>>
  readonly place: TextPlace
  readonly outlines: Outline[]
}

interface Document {
  readonly title: string
  readonly outlines: readonly Outline[]
}

/** XML leaves line ends in attributes as spaces; a label is one line without control characters. */
function oneLine(text: string): string {
  return text.replace(/[\s\p{Cc}]+/gu, ' ').trim()
}

/**
 * Reads the XML. The parser knows no entities but the five of XML, so an entity that a file declares is a fault
 * at its first use and nothing can expand; a document type with declarations of its own is refused at once.
 */
function readXml(text: string): Document {
  const parser = new SaxesParser({ xmlns: true, position: true })
  const place = (): TextPlace => ({ line: parser.line, column: parser.column + 1 })
  const stop = (what: string): never => {
    throw new InputFault(what, place())
  }
  const path: string[] = []
  const top: Outline[] = []
  const open: Outline[] = []
  let title = ''
  let count = 0
  parser.on('error', (error) =>
    stop(`This is not OPML, or it is cut off (XML: ${error.message.replace(/^\d+:\d+: /, '')}).`),
  )
  parser.on('doctype', (doctype) => {
    if (doctype.includes('[')) stop('A document type with declarations of its own is not accepted.')
  })
  parser.on('opentag', (tag: SaxesTagNS) => {
    path.push(tag.local)
    if (path.length > MAX_DEPTH) stop(`Elements are nested more than ${MAX_DEPTH} deep.`)
    if (path.length === 1 && tag.local !== 'opml')
      stop(`This is not OPML: the document is <${tag.name}>, not <opml>.`)
    if (tag.local !== 'outline') return
    if (path[1] !== 'body') stop('An outline stands outside the body.')
    if (path.length - 2 > MAX_LEVELS) stop(`The outline has more than ${MAX_LEVELS} levels.`)
    if (++count > MAX_ENTRIES - 1) stop(`The outline has more than ${MAX_ENTRIES - 1} entries.`)
    const given = Object.values(tag.attributes as Record<string, SaxesAttributeNS>)
    const within = (uri: string) =>
      Object.fromEntries(given.filter((one) => one.uri === uri).map((one) => [one.local, one.value]))
    const outline: Outline = { attributes: within(''), own: within(NAMESPACE), place: place(), outlines: [] }
    ;(open.at(-1)?.outlines ?? top).push(outline)
    open.push(outline)
  })
  parser.on('text', (chunk) => {
    if (path.length === 3 && path[1] === 'head' && path[2] === 'title' && title.length < MOST_TITLE)
      title += chunk
  })
  parser.on('closetag', () => {
    if (path.pop() === 'outline') open.pop()
  })
  parser.write(text).close()
  return { title: oneLine(title), outlines: top }
}

/** Gives each entry an id that can be read: its label, with a number when another has it. */
function idMaker(): (label: string) => EntryId {
  const taken = new Set<string>()
  const last = new Map<string, number>()
  return (label) => {
    const base = soundFileName(label, '-').slice(0, 50)
    let id = base
    for (let count = (last.get(base) ?? 1) + 1; taken.has(id); count++) {
      id = `${base}-${count}`
      last.set(base, count)
    }
    taken.add(id)
    return id
  }
}

/** A link to a page of the plan; which page can be said only when the whole plan is known. */
interface Unsettled {
  readonly id: EntryId
  readonly outline: Outline
}

function targetOf(outline: Outline, label: string): LinkTarget {
  const { url = '' } = outline.attributes
  if (url === '' || isAllowedTarget(url)) return { to: 'address', url }
  throw new InputFault(
    `“${label}” leads to ${url}, which is not an http:, https:, mailto: or tel: address.`,
    outline.place,
  )
}

function branchOfOutline(
  outline: Outline,
  makeId: (label: string) => EntryId,
  unsettled: Unsettled[],
): Branch {
  const { attributes, own, place, outlines } = outline
  const label = oneLine(attributes['text'] ?? attributes['title'] ?? '')
  if (label === '') throw new InputFault('This outline has no text.', place)
  const id = makeId(label)
  const entries = outlines.map((under) => branchOfOutline(under, makeId, unsettled))
  const type = attributes['type']?.toLowerCase()
  let given: object = { kind: 'page', title: label }
  if (type === 'group') given = { kind: 'group', label }
  if (own['to'] !== undefined || (type === 'link' && attributes['url'] !== undefined)) {
    if (outlines.length > 0) throw new InputFault(`“${label}” is a link: nothing can stand under it.`, place)
    if (own['to'] !== undefined) unsettled.push({ id, outline })
    const target = own['to'] === undefined ? targetOf(outline, label) : { to: 'entry', entry: GONE }
    given = { kind: 'link', label, target }
  }
  const result = v.safeParse(branchSchema, { ...given, id })
  if (!result.success) throw new InputFault(`“${shortened(label, 60)}”: ${result.issues[0].message}.`, place)
  return { ...result.output, entries }
}

/** Finds the pages that links lead to. */
function settleLinks(site: Site, unsettled: readonly Unsettled[]): Site {
  const entries = new Map(site.plan.entries)
  for (const { id, outline } of unsettled) {
    const { to = '', fragment = '' } = outline.own
    if (to === GONE) continue
    const [first, ...steps] = to.split('.')
    const page = steps.reduce<EntryId | undefined>(
      (at, step) => at && childrenOf(site.plan, at)[Number(step) - 1],
      first === '0' ? site.plan.home : undefined,
    )
    if (page === undefined)
      throw new InputFault(`The link leads to ${to}, which is no way in this outline.`, outline.place)
    const target: LinkTarget = { to: 'entry', entry: page, fragment }
    const checked = v.safeParse(targetSchema, target)
    if (!checked.success)
      throw new InputFault(`The fragment of the link ${checked.issues[0].message}.`, outline.place)
    entries.set(id, { ...(entryOf(site.plan, id) as LinkEntry), target: checked.output })
  }
  return { ...site, plan: { ...site.plan, entries } }
}

/**
 * Reads an OPML 2.0 outline as a new site. The only top-level outline is the home page; of several, a home page
 * named by the title in the head is made above them.
 * @throws InputFault, with the place, for what is not OPML
 */
export function readOpml(text: string): Site {
  checkSize(text)
  const { title, outlines } = readXml(text)
  const first = outlines[0]
  if (!first) throw new InputFault('The outline is empty: it has no pages.')
  const makeId = idMaker()
  const unsettled: Unsettled[] = []
  let home: Branch
  if (outlines.length === 1) home = branchOfOutline(first, makeId, unsettled)
  else {
    const name = title || 'Home'
    const page = v.parse(branchSchema, { kind: 'page', id: makeId(name), title: shortened(name, 300) })
    home = { ...page, entries: outlines.map((outline) => branchOfOutline(outline, makeId, unsettled)) }
  }
  for (const { level } of entriesOfBranch(home)) {
    if (level > MAX_LEVELS)
      throw new InputFault(`With a home page above it the outline has more than ${MAX_LEVELS} levels.`)
  }
  if (home.kind !== 'page')
    throw new InputFault('The only top-level outline must be a page: it is the home page.', first.place)
  const site = siteWith({ name: shortened(title || home.title, 200) }, planOfBranch(home))
  return settleLinks(site, unsettled)
}

/** The way from the home page to an entry, as `0.2.1`. */
function wayTo(plan: Plan, id: EntryId): string {
  if (!plan.entries.has(id)) return GONE
  const below = [...ancestorsOf(plan, id), id].slice(1)
  return ['0', ...below.map((step) => placeOf(plan, step) + 1)].join('.')
}

function linkAttributes(
  { plan, settings, files }: Site,
  { target }: LinkEntry,
  paths: Addresses['paths'],
): Record<string, string> {
  if (target.to === 'address') return { type: 'link', url: target.url }
  if (target.to === 'file') {
    const file = files.get(target.file)
    // An outline carries no files: where there is no address for it, the link is one that leads nowhere.
    return settings.baseUrl !== '' && file
      ? { type: 'link', url: absoluteUrl(settings, file.path) }
      : { 'plan:to': GONE }
  }
  const own: Record<string, string> = { 'plan:to': wayTo(plan, target.entry) }
  if (target.fragment) own['plan:fragment'] = target.fragment
  const path = paths.get(target.entry)
  if (settings.baseUrl === '' || path === undefined) return own
  return { type: 'link', url: absoluteUrl(settings, path) + fragmentHref(target.fragment), ...own }
}

/** Writes the plan of a site as an OPML 2.0 outline. http://opml.org/spec2.opml */
export function writeOpml(site: Site): string {
  const { plan, settings } = site
  const { paths } = addressesOf(site)
  const outline = (id: EntryId): ReturnType<typeof x> => {
    const entry = entryOf(plan, id)
    const under = childrenOf(plan, id).map(outline)
    if (entry.kind === 'page') return x('outline', { text: entry.title }, under)
    if (entry.kind === 'group') return x('outline', { text: entry.label, type: 'group' }, under)
    return x('outline', { text: entry.label, ...linkAttributes(site, entry, paths) })
  }
  const opml = x('opml', { version: '2.0', 'xmlns:plan': NAMESPACE }, [
    x('head', [x('title', settings.name)]),
    x('body', [outline(plan.home)]),
  ])
  return `<?xml version="1.0" encoding="UTF-8"?>\n${toXml(opml)}\n`
}
