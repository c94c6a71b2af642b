import { parse } from 'parse5'
import type { PageEntry } from '../../plan/entry.ts'
import type { EntryId } from '../../plan/ids.ts'
import { byKind, type PiecesSite, type Site, type TemplatesSite } from '../../plan/site.ts'
import { standings } from '../../plan/surround/surround.ts'
import type { Templates } from '../../plan/surround/templates.ts'
import { elementsOf, type Element, parseMainContent } from '../../standard/fragment.ts'
import { createTemplateWriter } from '../../template/write.ts'
import { attributeOf, elementsIn } from '../bodyElements.ts'

/** What a link can lead to on a page: an id, or the name of an old anchor. */
const namesOf = ({ attrs }: Element): string[] =>
  attrs.flatMap(({ name, value }) => (name === 'id' || name === 'name' ? [value] : []))

const inContent = new WeakMap<object, ReadonlySet<string>>()
function idsInContent({ body }: PageEntry): ReadonlySet<string> {
  let ids = inContent.get(body)
  if (!ids) {
    const all = elementsIn(body).flatMap((one) => [attributeOf(one, 'id'), attributeOf(one, 'name')])
    inContent.set(body, (ids = new Set(all.filter((id) => id !== undefined))))
  }
  return ids
}

/** Ids that every page has from a surround of ours, and the top of it. */
function idsOfPieces({ surround }: PiecesSite): string[] {
  const own = [...standings(surround)].flatMap(({ piece }) =>
    piece.kind === 'html'
      ? [...elementsOf(parseMainContent(piece.html))].flatMap(({ element }) => namesOf(element))
      : [],
  )
  return ['main', 'top', ...own]
}

const ofPieces = new WeakMap<object, ReadonlySet<string>>()
const ofTemplates = new WeakMap<Templates, Map<EntryId, ReadonlySet<string>>>()

/** Ids that a page has around its content: from the surround, or from its template and what it keeps of its own. */
function idsAround(site: Site, { id }: PageEntry): ReadonlySet<string> {
  return byKind(site, {
    pieces(of) {
      const { places } = of.surround
      const known = ofPieces.get(places) ?? new Set(idsOfPieces(of))
      ofPieces.set(places, known)
      return known
    },
    templates: (of) => idsInTemplate(of, id),
  })
}

function idsInTemplate(site: TemplatesSite, id: EntryId): ReadonlySet<string> {
  const { templates } = site.surround
  const pages = ofTemplates.get(templates) ?? new Map<EntryId, ReadonlySet<string>>()
  ofTemplates.set(templates, pages)
  let ids = pages.get(id)
  if (!ids) {
    const whole = parse(createTemplateWriter(site).shown(id))
    ids = new Set(['top', ...[...elementsOf(whole)].flatMap(({ element }) => namesOf(element))])
    pages.set(id, ids)
  }
  return ids
}

/** Whether a link to a part of a page leads to something there. */
export const hasPart = (site: Site, page: PageEntry, part: string): boolean =>
  idsInContent(page).has(part) || idsAround(site, page).has(part)
