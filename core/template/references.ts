import type { EntryId, MenuId, TemplateId } from '../plan/ids.ts'
import type { TemplatesSite } from '../plan/site.ts'
import type { Address, Bits } from '../plan/surround/templates.ts'
import { type Pattern, patternFields } from './patternFields.ts'

/** Where a reference is that the author's own HTML has around the content. */
export type ReferencePlace =
  | { readonly in: 'template'; readonly template: TemplateId }
  | { readonly in: 'menu'; readonly menu: MenuId }
  /** What a page has instead of its template, or a part in a file of its own, by the page that includes it. */
  | { readonly in: 'entry'; readonly entry: EntryId }

export interface TemplateReference {
  readonly place: ReferencePlace
  readonly address: Address
}

function* addressesIn(bits: Bits, place: ReferencePlace): Generator<TemplateReference> {
  for (const bit of bits) if (typeof bit !== 'string' && 'to' in bit) yield { place, address: bit }
}

/** The references in a pattern that are the same for all items, and those of single items. */
function* inPattern(pattern: Pattern, place: ReferencePlace): Generator<TemplateReference> {
  for (const { bits } of patternFields(pattern)) yield* addressesIn(bits, place)
  if (pattern.kind !== 'menu') return
  for (const forms of Object.values(pattern.pattern.own))
    for (const { head } of Object.values(forms)) yield* addressesIn(head, place)
}

/** The references around the content that lead to entries and files, but for those that follow from the plan. */
export function* templateReferences(site: TemplatesSite): Generator<TemplateReference> {
  const { templates } = site.surround
  for (const { id, parts } of templates.templates) {
    const place: ReferencePlace = { in: 'template', template: id }
    for (const part of parts) {
      if (part.kind === 'text') yield* addressesIn(part.bits, place)
      if (part.kind === 'own') yield* addressesIn(part.usual, place)
    }
  }
  const [first] = templates.templates
  for (const pattern of templates.menus)
    yield* inPattern({ kind: 'menu', pattern }, { in: 'menu', menu: pattern.menu })
  const place: ReferencePlace = { in: 'template', template: first!.id }
  for (const pattern of templates.breadcrumbs) yield* inPattern({ kind: 'breadcrumb', pattern }, place)
  for (const pattern of templates.pagers) yield* inPattern({ kind: 'pager', pattern }, place)
  for (const { from, file, content, parts, overrides } of templates.included) {
    if (site.files.get(file)?.content !== content) continue
    const on: ReferencePlace = { in: 'entry', entry: site.plan.entries.has(from) ? from : site.plan.home }
    for (const part of parts) if (part.kind === 'text') yield* addressesIn(part.bits, on)
    for (const { bits } of overrides) yield* addressesIn(bits, on)
  }
  for (const [page, { overrides }] of Object.entries(templates.pages)) {
    if (!site.plan.entries.has(page)) continue
    for (const { bits, over } of overrides)
      // What is only written otherwise leads where the plan says.
      if (over === undefined) yield* addressesIn(bits, { in: 'entry', entry: page })
  }
}
