import { type SaxesAttributeNS, SaxesParser, type SaxesTagNS } from 'saxes'
import { x } from 'xastscript'
import { toXml } from 'xast-util-to-xml'
import * as v from 'valibot'
import { addressesOf } from '../address/addresses.ts'
import { absoluteUrl } from '../address/relative.ts'
import { type Branch, branchSchema, planOfBranch } from '../plan/branch.ts'
import { type EntryId, type LinkTarget, labelOf } from '../plan/entry.ts'
import { childrenOf, entryOf, MAX_ENTRIES, MAX_LEVELS } from '../plan/plan.ts'
import { DEFAULT_SETTINGS, LAYOUTS, type Site } from '../plan/site.ts'
import { soundFileName } from '../standard/fileName.ts'
import { isAllowedTarget } from '../standard/target.ts'
import { checkSize, InputFault, type Place } from './inputFault.ts'

/** An outline element of the file, with the place of its tag. */
interface Outline {
  readonly attributes: Readonly<Record<string, string>>
  readonly place: Place
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
  const place = (): Place => ({ line: parser.line, column: parser.column + 1 })
  const stop = (what: string): never => {
    throw new InputFault(what, place())
  }
  const path: string[] = []
  const top: Outline[] = []
  const open: Outline[] = []
  let title = ''
  let count = 0
  parser.on('error', (error) => stop(`This is not OPML, or it is cut off (XML: ${error.message.replace(/^.*?\d+:\d+: /, '')}).`))
  parser.on('doctype', (doctype) => {
    if (doctype.includes('[')) stop('A document type with declarations of its own is not accepted.')
  })
  parser.on('opentag', (tag: SaxesTagNS) => {
    path.push(tag.local)
    if (path.length === 1 && tag.local !== 'opml') stop(`This is not OPML: the document is <${tag.name}>, not <opml>.`)
    if (tag.local !== 'outline') return
    if (path[1] !== 'body') stop('An outline stands outside the body.')
    if (path.length - 2 > MAX_LEVELS - 1) stop(`The outline has more than ${MAX_LEVELS - 1} levels.`)
    if (++count > MAX_ENTRIES - 1) stop(`The outline has more than ${MAX_ENTRIES - 1} entries.`)
    const attributes = Object.fromEntries(
      Object.values(tag.attributes as Record<string, SaxesAttributeNS>)
        .filter((attribute) => attribute.uri === '')
        .map((attribute) => [attribute.local, attribute.value]),
    )
    const outline: Outline = { attributes, place: place(), outlines: [] }
    ;(open.at(-1)?.outlines ?? top).push(outline)
    open.push(outline)
  })
  parser.on('text', (chunk) => {
    if (path.join('/') === 'opml/head/title') title += chunk
  })
  parser.on('closetag', () => {
    if (path.pop() === 'outline') open.pop()
  })
  parser.write(text).close()
  return { title: oneLine(title), outlines: top }
}

/** Gives each entry an id that can be read: its label, with a number when another has it. */
function idMaker(): (label: string) => EntryId {
  const used = new Map<string, number>()
  return (label) => {
    const base = soundFileName(label, '-').slice(0, 50)
    const count = (used.get(base) ?? 0) + 1
    used.set(base, count)
    if (count === 1) return base
    const id = `${base}-${count}`
    used.set(id, (used.get(id) ?? 0) + 1)
    return used.get(id) === 1 ? id : `${id}-${used.size}`
  }
}

/** Link entries whose address is a path of the site; they can be settled only when the whole plan is known. */
type Unsettled = { id: EntryId; url: string; outline: Outline }

function branchOfOutline(outline: Outline, makeId: (label: string) => EntryId, unsettled: Unsettled[]): Branch {
  const { attributes, place, outlines } = outline
  const label = oneLine(attributes['text'] ?? attributes['title'] ?? '')
  if (label === '') throw new InputFault('This outline has no text.', place)
  const id = makeId(label)
  const entries = outlines.map((under) => branchOfOutline(under, makeId, unsettled))
  const type = attributes['type']?.toLowerCase()
  const url = attributes['url']
  let given: object = { kind: 'page', title: label }
  if (type === 'group') given = { kind: 'group', label }
  if (type === 'link' && url !== undefined) {
    if (outlines.length > 0) throw new InputFault(`“${label}” is a link: nothing can stand under it.`, place)
    const isPath = !/^[a-z][a-z0-9+.-]*:/i.test(url)
    if (isPath) unsettled.push({ id, url, outline })
    // A path leads to the home page until its page is known.
    const target = isPath ? { to: 'entry', entry: id } : { to: 'address', url }
    if (!isPath && !isAllowedTarget(url)) {
      throw new InputFault(`“${label}” leads to ${url}, which is not an http:, https:, mailto: or tel: address.`, place)
    }
    given = { kind: 'link', label, target }
  }
  const result = v.safeParse(branchSchema, { ...given, id })
  if (!result.success) throw new InputFault(`“${label.slice(0, 60)}…”: ${result.issues[0].message}.`, place)
  return { ...result.output, entries }
}

/** Finds the pages that paths of the site lead to, in whichever layout they were written. */
function settleLinks(site: Site, unsettled: readonly Unsettled[]): Site {
  if (unsettled.length === 0) return site
  const pages = new Map<string, EntryId>()
  for (const layout of LAYOUTS) {
    for (const carrySection of [false, true]) {
      const { paths } = addressesOf({ plan: site.plan, settings: { ...site.settings, layout, carrySection } })
      for (const [id, path] of paths) if (!pages.has(path)) pages.set(path, id)
    }
  }
  const entries = new Map(site.plan.entries)
  for (const { id, url, outline } of unsettled) {
    const [path = '', fragment = ''] = url.split('#')
    const page = pages.get(path)
    if (page === undefined) {
      throw new InputFault(`The link leads to ${url}, which is neither an address nor a page of the outline.`, outline.place)
    }
    const target: LinkTarget = { to: 'entry', entry: page, fragment }
    entries.set(id, { ...entryOf(site.plan, id), target } as Branch)
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
    const page = v.parse(branchSchema, { kind: 'page', id: makeId(name), title: name.slice(0, 300) })
    home = { ...page, entries: outlines.map((outline) => branchOfOutline(outline, makeId, unsettled)) }
  }
  if (home.kind !== 'page') throw new InputFault('The only top-level outline must be a page: it is the home page.', first.place)
  const site: Site = {
    settings: { ...DEFAULT_SETTINGS, name: (title || home.title).slice(0, 200) },
    files: new Map(),
    plan: planOfBranch(home),
  }
  return settleLinks(site, unsettled)
}

/** Writes the plan of a site as an OPML 2.0 outline. http://opml.org/spec2.opml */
export function writeOpml(site: Site): string {
  const { plan, settings } = site
  const { paths } = addressesOf(site)
  const outline = (id: EntryId): ReturnType<typeof x> => {
    const entry = entryOf(plan, id)
    const under = childrenOf(plan, id).map(outline)
    if (entry.kind === 'page') return x('outline', { text: entry.title }, under)
    if (entry.kind === 'group') return x('outline', { text: labelOf(entry), type: 'group' }, under)
    const { target } = entry
    const path = target.to === 'entry' ? (paths.get(target.entry) ?? '') : ''
    const fragment = target.to === 'entry' && target.fragment ? `#${target.fragment}` : ''
    const url = target.to === 'address' ? target.url : (settings.baseUrl ? absoluteUrl(settings.baseUrl, path) : path) + fragment
    return x('outline', { text: entry.label, type: 'link', url })
  }
  const document = x(null, [
    { type: 'instruction', name: 'xml', value: 'version="1.0" encoding="UTF-8"' },
    { type: 'text', value: '\n' },
    x('opml', { version: '2.0' }, [x('head', [x('title', settings.name)]), x('body', [outline(plan.home)])]),
    { type: 'text', value: '\n' },
  ])
  return toXml(document)
}
