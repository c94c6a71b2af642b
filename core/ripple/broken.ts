import { isBegun, labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { entryOf, walk } from '../plan/plan.ts'
import { isOfTemplates, isWritten, type Site } from '../plan/site.ts'
import { menuOf, piecesShown, pickedLinksOf, templatesOf } from '../plan/surround/surround.ts'
import { valueFor } from '../standard/present.ts'
import { type ReferencePlace, templateReferences } from '../template/references.ts'
import { compileBody } from '../render/body.ts'

/** Links that lead somewhere before a change, and nowhere after it. */
export interface BrokenLink {
  /** The page whose main content links, the link of the plan, or the home page for a piece that stands on all. */
  readonly from: EntryId
  readonly label: string
  readonly kind: 'text' | 'link' | 'surround'
  /** Where it led. */
  readonly to: EntryId
  readonly toLabel: string
}

/** Where a reference around the content is, and the page to look at. */
function placeWords({ plan, surround }: Site, place: ReferencePlace): { from: EntryId; label: string } {
  switch (place.in) {
    case 'entry':
      return { from: place.entry, label: `Around the content of “${labelOf(entryOf(plan, place.entry))}”` }
    case 'menu':
      return { from: plan.home, label: `Menu “${menuOf(surround, place.menu)?.name ?? ''}”` }
    case 'template': {
      const all = templatesOf(surround)?.templates ?? []
      return {
        from: plan.home,
        label: `Template “${all.find(({ id }) => id === place.template)?.name ?? ''}”`,
      }
    }
  }
}

/** The links that a change breaks: those of main contents, of the plan, and those picked for menus and pieces. One for each pair of ends. */
export function linksBroken(before: Site, after: Site): BrokenLink[] {
  const breaks = (to: EntryId) =>
    isWritten(before, before.plan.entries.get(to)) && !isWritten(after, after.plan.entries.get(to))
  const broken: BrokenLink[] = []
  const put = (from: EntryId, label: string, kind: BrokenLink['kind'], targets: Iterable<EntryId>) => {
    for (const to of targets) {
      if (breaks(to))
        broken.push({ from, label, kind, to, toLabel: labelOf(valueFor(before.plan.entries, to)) })
    }
  }
  for (const { label, links } of pickedLinksOf(after.surround, piecesShown(after.surround))) {
    const targets = links.flatMap(({ target }) => (target.to === 'entry' ? [target.entry] : []))
    put(after.plan.home, label, 'surround', new Set(targets))
  }
  if (isOfTemplates(after)) {
    const byPlace = new Map<string, { from: EntryId; label: string; targets: Set<EntryId> }>()
    for (const { place, address } of templateReferences(after)) {
      if (address.to !== 'entry') continue
      const key = JSON.stringify(place)
      const there = byPlace.get(key) ?? { ...placeWords(after, place), targets: new Set() }
      byPlace.set(key, there)
      there.targets.add(address.id)
    }
    for (const { from, label, targets } of byPlace.values()) put(from, label, 'surround', targets)
  }
  for (const { entry } of walk(after.plan)) {
    const label = labelOf(entry)
    if (entry.kind === 'link' && entry.target.to === 'entry')
      put(entry.id, label, 'link', [entry.target.entry])
    if (isBegun(entry)) {
      const pointers = compileBody(entry.body).pointers.filter(({ to }) => to === 'entry')
      put(entry.id, label, 'text', new Set(pointers.map(({ id }) => id)))
    }
  }
  return broken
}
