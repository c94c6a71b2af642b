import { addressesOf } from '../address/addresses.ts'
import { notFoundPage } from '../address/notFound.ts'
import { type HereMark, hereMark, indexOfMenu, itemsShown } from '../navigate/menu.ts'
import { documentTitle, firstHeading } from '../navigate/title.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Site, TemplatesSite } from '../plan/site.ts'
import { markOf } from '../plan/change/mark.ts'
import { menuOf } from '../plan/surround/surround.ts'
import { escapeAttribute } from '../standard/escape.ts'
import { itemAt, valueFor } from '../standard/present.ts'
import { textWriter } from './asWritten.ts'
import { CONTENT, type IncludedFile, type PageWriter, type WrittenPart } from '../page/pageWriter.ts'
import type { WholePart } from '../page/parts.ts'
import { withoutPointers, writeContent } from './content.ts'
import { sourceReferences } from '../pointer/inSource.ts'
import { partOfPieces, type WrittenPiece } from './partOf.ts'
import { includedWriter, type IncludedWriter, NO_MARK, seenFrom, withIncludes } from './included.ts'
import { writeMenu } from './items.ts'
import type { Included, PageMaking, Template, TemplatePart, Templates } from '../plan/surround/templates.ts'
import { writePager } from './pager.ts'
import type { Published } from './spelling.ts'
import { writeTrail } from './trail.ts'
import { type Writing, writingOn } from './writing.ts'
import { valueAt } from '../standard/record.ts'

/** Writes the pages of a site whose surround is its author's own HTML. */
export interface TemplateWriter extends PageWriter {
  /** A page in the pieces that it is put together of, with what it keeps of its own. */
  pieces(id: EntryId): WrittenPiece[]
  /** What a part of a template is on a page by the plan and the patterns alone. */
  part(id: EntryId, part: TemplatePart): string
  /** What writes a part that pages put in. */
  included(included: Included): IncludedWriter
  /** A menu of a page as it is where no item is marked. */
  unmarked(id: EntryId, part: MenuPart): string
  /** How a page is made; a new one as its neighbours are. */
  makingOf(id: EntryId): PageMaking
  templateOf(id: EntryId): Template
}

type MenuPart = Extract<TemplatePart, { readonly kind: 'menu' }>

/** A text between quotes in PHP. https://www.php.net/manual/en/language.types.string.php */
function inCode(text: string, quote: '"' | "'"): string {
  const escaped = text.replaceAll('\\', '\\\\').replaceAll(quote, `\\${quote}`)
  return quote === '"' ? escaped.replaceAll('$', '\\$') : escaped
}

/** The making of a page that has none of its own: as its siblings are made, else as its parent is, else as most are. */
function likelyMaking({ plan }: Site, { pages, templates }: Templates, id: EntryId): PageMaking {
  const count = new Map(templates.map((template) => [template.id, 0]))
  for (const { template } of Object.values(pages))
    if (count.has(template)) count.set(template, valueFor(count, template) + 1)
  // Of those that are as common, the first of the list: how pages are kept says nothing.
  const commonest = itemAt(
    [...count].sort(([, a], [, b]) => b - a),
    0,
  )[0]
  // What a page with a template that is there no more says of its own does not help others either.
  const madeBy = (page: EntryId): readonly PageMaking[] => {
    const own = pages[page]
    return own && count.has(own.template) ? [own] : []
  }
  const parent = plan.parents.get(id)
  const siblings = parent === undefined ? [] : childrenOf(plan, parent).flatMap(madeBy)
  const above = parent !== undefined && parent !== plan.home ? madeBy(parent) : []
  const likely = siblings.at(-1) ?? above[0]
  const encoding = (likely ?? pages[plan.home])?.encoding ?? { name: 'utf-8', hasMark: false }
  return { template: likely?.template ?? commonest, encoding, overrides: [], spelt: {} }
}

/** Prepares what all pages share. */
export function createTemplateWriter(site: TemplatesSite): TemplateWriter {
  const { plan, surround, settings } = site
  const { templates } = surround
  const { paths } = addressesOf(site)
  const write = textWriter(templates)
  const notFound = notFoundPage(site)
  const publishedOn = (id: EntryId): Published => ({
    baseUrl: settings.baseUrl,
    root: templates.root,
    isFromTop: id === notFound,
  })
  const byId = new Map(templates.templates.map((template) => [template.id, template]))
  const menus = new Map(templates.menus.map((pattern) => [pattern.id, pattern]))
  const trails = new Map(templates.breadcrumbs.map((pattern) => [pattern.id, pattern]))
  const pagers = new Map(templates.pagers.map((pattern) => [pattern.id, pattern]))

  const pageOf = (id: EntryId): PageEntry => {
    const entry = entryOf(plan, id)
    if (entry.kind !== 'page') throw new Error(`${id} is a ${entry.kind}, not a page`)
    return entry
  }
  const makingOf = (id: EntryId): PageMaking => {
    const own = valueAt(templates.pages, id)
    return own && byId.has(own.template) ? own : likelyMaking(site, templates, id)
  }
  const templateOf = (id: EntryId) => valueFor(byId, makingOf(id).template)

  function menuOn(id: EntryId, patternId: string, writing: Writing, mark?: HereMark): string {
    const pattern = menus.get(patternId)
    const menu = pattern && menuOf(surround, pattern.menu)
    if (!menu) return ''
    const items = itemsShown(site, menu, pattern.shape, id)
    return writeMenu(pattern, items, mark ?? hereMark(plan, indexOfMenu(items), id), writing)
  }

  function partOf(id: EntryId, part: TemplatePart, writing: Writing): string {
    const page = pageOf(id)
    switch (part.kind) {
      case 'text':
        return writing.bits(part.bits, {}, templates.spelling)
      case 'own':
        return writing.bits(part.usual, {}, templates.spelling)
      case 'title':
        return part.quote ? inCode(documentTitle(site, page), part.quote) : write(documentTitle(site, page))
      case 'description':
        return escapeAttribute(page.description)
      case 'heading':
        return write(firstHeading(page))
      case 'content':
        return writeContent(site, templates, id, page.body.html, publishedOn(id))
      case 'menu':
        return menuOn(id, part.pattern, writing)
      case 'breadcrumb': {
        const pattern = trails.get(part.pattern)
        return pattern ? writeTrail(site, pattern, id, writing) : ''
      }
      case 'pager': {
        const pattern = pagers.get(part.pattern)
        return pattern ? writePager(site, pattern, id, writing) : ''
      }
    }
  }

  const wholly = (id: EntryId, parts: readonly TemplatePart[], writing: Writing) =>
    parts.map((part) => partOf(id, part, writing)).join('')

  function* pieces(id: EntryId): Generator<WrittenPiece> {
    const { overrides } = makingOf(id)
    const { parts } = templateOf(id)
    const writing = writingOn(site, valueFor(paths, id), publishedOn(id))
    let at = 0
    const upTo = function* (end: number): Generator<WrittenPiece> {
      for (; at < end && at < parts.length; at++)
        yield { text: partOf(id, parts[at]!, writing), parts: [parts[at]!], kept: undefined }
    }
    for (const override of overrides) {
      const { from, to, bits, over } = override
      yield* upTo(from)
      const replaced = parts.slice(from, to)
      if (over !== undefined && markOf(wholly(id, replaced, writing)) !== over) continue
      yield { text: writing.bits(bits, {}, templates.spelling), parts: replaced, kept: override }
      at = Math.max(at, to)
    }
    yield* upTo(parts.length)
  }

  const included = (one: Included): IncludedWriter => {
    const path = seenFrom(paths, site, one.from, site.files.get(one.file)?.path ?? '')
    const writing = writingOn(site, path, publishedOn(plan.home))
    return includedWriter(one, templates, writing, (pattern) => menuOn(plan.home, pattern, writing, NO_MARK))
  }
  let files: readonly IncludedFile[] | undefined
  const includedFiles = () =>
    (files ??= templates.included.flatMap((one) => {
      const file = site.files.get(one.file)
      if (file?.content !== one.content) return []
      const from = seenFrom(paths, site, one.from, file.path)
      const text = withoutPointers(
        site,
        included(one).text(),
        from,
        templates.spelling,
        publishedOn(plan.home),
      )
      return [{ file: one.file, path: file.path, text, encoding: one.encoding }]
    }))
  const unmarked = (id: EntryId, part: MenuPart) =>
    menuOn(id, part.pattern, writingOn(site, valueFor(paths, id), publishedOn(id)), NO_MARK)
  const page = (id: EntryId) => {
    const text = [...pieces(id)].reduce((whole, piece) => whole + piece.text, '')
    // A template may hold what its author typed.
    return withoutPointers(site, text, valueFor(paths, id), templates.spelling, publishedOn(id))
  }

  function partsOf(id: EntryId): WrittenPart[] {
    const all = [...pieces(id)]
    const texts = new Map<WholePart, string>()
    partOfPieces(all).forEach((part, at) => texts.set(part, (texts.get(part) ?? '') + itemAt(all, at).text))
    // All menus are one: where a page keeps something of its own, it may stand for several.
    const menu = {
      get unmarked() {
        const menuParts = templateOf(id).parts.filter((part) => part.kind === 'menu')
        return menuParts.map((part) => unmarked(id, part)).join('')
      },
      mark: undefined,
      isLinked: false,
    }
    return [...texts].map(([kind, text]): WrittenPart => ({
      ...{ kind, key: kind === 'main content' ? CONTENT : kind, text },
      menu: kind === 'menu' ? menu : undefined,
    }))
  }

  return {
    makingOf,
    templateOf,
    included,
    includedFiles,
    shown(id) {
      const text = page(id)
      if (templates.included.length === 0) return text
      const texts = new Map(includedFiles().map((file) => [file.path, file.text]))
      return withIncludes(valueFor(paths, id), text, (path) => texts.get(path))
    },
    part: (id, part) => partOf(id, part, writingOn(site, valueFor(paths, id), publishedOn(id))),
    unmarked,
    page,
    pieces: (id) => [...pieces(id)],
    parts: (id) => partsOf(id),
    encodingOf: (id) => makingOf(id).encoding,
    contentLinks(id) {
      const content = partsOf(id).find(({ kind }) => kind === 'main content')?.text ?? ''
      return {
        rest: pageOf(id).body.html,
        links: [...sourceReferences(content)].map(({ raw }) => ({ isPicture: false, href: raw })),
      }
    },
  }
}
