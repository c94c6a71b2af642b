import { addressesOf } from '../address/addresses.ts'
import { folderOf } from '../address/relative.ts'
import type { EntryId } from '../plan/ids.ts'
import { isOfTemplates, type Site, type TemplatesSite } from '../plan/site.ts'
import { piecesShown } from '../plan/surround/surround.ts'
import type { Bits, Override, TemplatePart, Templates } from '../plan/surround/templates.ts'
import { valueFor } from '../standard/present.ts'
import { createTemplateWriter } from '../template/write.ts'
import { insertedFiles } from './insertedFiles.ts'
import type { FindingPlace } from './rule.ts'

/** Replaces a reference that follows its target: it has no target in the site. */
const FOLLOWS = 'about:blank'

/** Returns a text as it is on its page, except for the references in it that follow their targets. */
const sourceOf = (bits: Bits | null) =>
  (bits ?? []).map((bit) => (typeof bit === 'string' ? bit : FOLLOWS)).join('')

/** A text around the content, and its place. */
export interface TextAround {
  readonly html: string
  readonly place: FindingPlace
  /** One page of each folder with pages that show the text: its relative references start there. */
  readonly pages: readonly EntryId[]
  /** Whether its page shows it in this state of the plan. */
  readonly isShown?: () => boolean
}

/** So many addresses are resolved for one text: it takes less than half a second. */
const MOST_LOOKUPS = 30_000

/**
 * Returns the pages from which the addresses of a text are looked up: all of `TextAround.pages`, or as many as a check has
 * time for where a site has thousands of folders and the text thousands of addresses.
 */
export const pagesToLookFrom = (
  { pages }: Pick<TextAround, 'pages'>,
  addresses: number,
): readonly EntryId[] => pages.slice(0, Math.max(1, Math.floor(MOST_LOOKUPS / Math.max(1, addresses))))

/** Yields the texts of an author's own HTML around the content. Texts of computed parts are in it, without what they compute. */
export function* textsAround(site: Site): Generator<TextAround> {
  if (isOfTemplates(site)) {
    yield* textsOfTemplates(site)
    return
  }
  const { paths } = addressesOf(site)
  const pages = oneOfEachFolder(paths, paths.keys())
  for (const { piece } of piecesShown(site.surround))
    if (piece.kind === 'html') yield { html: piece.html, place: { in: 'piece', piece: piece.id }, pages }
}

/** The first of some pages in each folder. */
function oneOfEachFolder(paths: ReadonlyMap<EntryId, string>, pages: Iterable<EntryId>): EntryId[] {
  const first = new Map<string, EntryId>()
  for (const page of pages) {
    const folder = folderOf(valueFor(paths, page))
    if (!first.has(folder)) first.set(folder, page)
  }
  return [...first.values()]
}

/** Returns the author's own text in a part of a template. */
function ownTextIn(templates: Templates): (part: TemplatePart) => string {
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  const trails = new Map(templates.breadcrumbs.map((pattern) => [pattern.id, pattern]))
  const pagers = new Map(templates.pagers.map((pattern) => [pattern.id, pattern]))
  const all = (...texts: (Bits | null | undefined)[]) => texts.map((bits) => sourceOf(bits ?? null)).join('')
  return (part) => {
    switch (part.kind) {
      case 'text':
        return sourceOf(part.bits)
      case 'own':
        return sourceOf(part.usual)
      case 'title':
      case 'description':
      case 'heading':
      case 'content':
        return ''
      case 'menu': {
        const menu = menus.get(part.pattern)
        if (!menu) return ''
        const forms = [menu.forms, ...Object.values(menu.own)].flatMap((some) => Object.values(some))
        const items = forms.map(({ head, tail }) => sourceOf(head) + tail)
        return [sourceOf(menu.before), ...items, ...menu.between, sourceOf(menu.after)].join('')
      }
      case 'breadcrumb': {
        const trail = trails.get(part.pattern)
        return trail
          ? all(trail.before, trail.link, [trail.between], trail.group, trail.self, trail.after)
          : ''
      }
      case 'pager': {
        const pager = pagers.get(part.pattern)
        return pager
          ? all(pager.before, ...Object.values(pager.links), ...Object.values(pager.forms), pager.after)
          : ''
      }
    }
  }
}

/** The texts of overrides that stay until their author decides. */
const lasting = (overrides: readonly Override[]) =>
  overrides.map(({ bits, over }) => (over === undefined ? sourceOf(bits) : '')).join('')

function* textsOfTemplates(site: TemplatesSite): Generator<TextAround> {
  const { templates } = site.surround
  const { paths } = addressesOf(site)
  const writer = createTemplateWriter(site)
  const inserted = insertedFiles(site, writer)
  const ofTemplate = new Map<string, EntryId[]>()
  const ofFile = new Map<string, EntryId[]>()
  for (const page of paths.keys()) {
    const { id } = writer.templateOf(page)
    const list = ofTemplate.get(id)
    if (list) list.push(page)
    else ofTemplate.set(id, [page])
    for (const file of inserted(page)) {
      const users = ofFile.get(file)
      if (users) users.push(page)
      else ofFile.set(file, [page])
    }
  }
  const ownText = ownTextIn(templates)
  for (const { id, parts } of templates.templates) {
    const pages = oneOfEachFolder(paths, ofTemplate.get(id) ?? [])
    if (pages.length > 0)
      yield { html: parts.map(ownText).join(''), place: { in: 'template', template: id }, pages }
  }
  for (const { file, content, from, parts, overrides } of templates.included) {
    // Its author has replaced the file: it is published as it is.
    if (site.files.get(file)?.content !== content) continue
    const entry = paths.has(from) ? from : site.plan.home
    const pages = oneOfEachFolder(paths, ofFile.get(file) ?? [])
    yield { html: parts.map(ownText).join('') + lasting(overrides), place: { in: 'entry', entry }, pages }
  }
  for (const [page, { overrides }] of Object.entries(templates.pages)) {
    if (!paths.has(page)) continue
    const place = { in: 'entry', entry: page } as const
    yield { html: lasting(overrides), place, pages: [page] }
    for (const override of overrides) {
      if (override.over === undefined) continue
      const isShown = () => writer.pieces(page).some(({ kept }) => kept === override)
      yield { html: sourceOf(override.bits), place, pages: [page], isShown }
    }
  }
}
