import { addressesOf } from '../address/addresses.ts'
import type { EntryId } from '../plan/entry.ts'
import { isOfTemplates, type Site, type TemplatesSite } from '../plan/site.ts'
import { piecesShown } from '../plan/surround/surround.ts'
import type { Bits } from '../plan/surround/templates.ts'
import { createTemplateWriter } from '../template/write.ts'
import type { FindingPlace } from './rule.ts'

/** What is in the place of a reference that follows its target: it leads to nothing of the site. */
const FOLLOWS = 'about:blank'

/** A text as it is on its page, but for the references in it that follow their targets. */
const sourceOf = (bits: Bits) => bits.map((bit) => (typeof bit === 'string' ? bit : FOLLOWS)).join('')

/** A text around the content, its place, and the first page that it is on. */
interface TextAround {
  readonly html: string
  readonly place: FindingPlace
  readonly from: EntryId
}

/** The texts of an author's own HTML around the content. */
export function* textsAround(site: Site): Generator<TextAround> {
  if (isOfTemplates(site)) yield* textsOfTemplates(site)
  else
    for (const { piece } of piecesShown(site.surround))
      if (piece.kind === 'html')
        yield { html: piece.html, place: { in: 'piece', piece: piece.id }, from: site.plan.home }
}

function* textsOfTemplates(site: TemplatesSite): Generator<TextAround> {
  const { templates, included, pages } = site.surround.templates
  const writer = createTemplateWriter(site)
  const first = new Map<string, EntryId>()
  for (const id of addressesOf(site).paths.keys()) {
    const template = writer.templateOf(id).id
    if (!first.has(template)) first.set(template, id)
  }
  for (const { id, parts } of templates) {
    const html = parts.map((part) =>
      part.kind === 'text' ? sourceOf(part.bits) : part.kind === 'own' ? sourceOf(part.usual) : '',
    )
    const from = first.get(id)
    if (from !== undefined) yield { html: html.join(''), place: { in: 'template', template: id }, from }
  }
  for (const one of included) {
    if (site.files.get(one.file)?.content !== one.content) continue
    const html = [
      ...one.parts.map((part) => (part.kind === 'text' ? sourceOf(part.bits) : '')),
      ...one.overrides.map(({ bits }) => sourceOf(bits)),
    ]
    const from = site.plan.entries.get(one.from)?.kind === 'page' ? one.from : site.plan.home
    yield { html: html.join(''), place: { in: 'entry', entry: from }, from }
  }
  for (const [page, { overrides }] of Object.entries(pages)) {
    if (site.plan.entries.get(page)?.kind !== 'page') continue
    const html = overrides.map(({ bits, over }) => (over === undefined ? sourceOf(bits) : '')).join('')
    yield { html, place: { in: 'entry', entry: page }, from: page }
  }
}
