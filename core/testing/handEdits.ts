import { applyChange } from '../plan/change/apply.ts'
import type { SingleChange } from '../plan/change/change.ts'
import { newPage } from '../plan/newEntry.ts'
import { childrenOf, entryOf } from '../plan/plan.ts'
import type { Site } from '../plan/site.ts'
import type { HandSite } from './handMade.ts'

/** The pages under the home page. */
export const sectionsOf = ({ pages }: HandSite) => pages.filter(({ parent }) => parent === pages[0]!.path)
const leavesOf = (site: HandSite) =>
  site.pages.filter(({ parent }) => parent !== undefined && parent !== site.pages[0]!.path)
export const EDITS = ['rename section', 'rename page', 'remove', 'add', 'move'] as const

/** An edit of the plan, and the site that its author would have written by hand for it. */
export function edited(hand: HandSite, site: Site, kind: (typeof EDITS)[number], at: number) {
  const idOf = (path: string) =>
    [...site.plan.entries.values()].find((one) => one.kind === 'page' && one.pin?.addresses[0] === path)!.id
  const leaf = leavesOf(hand)[at % leavesOf(hand).length]!
  const sections = sectionsOf(hand)
  const changes: SingleChange[] = []
  let { pages } = hand
  const lastIn = (path: string) => childrenOf(site.plan, idOf(path)).length
  switch (kind) {
    case 'rename section':
    case 'rename page': {
      const page = kind === 'rename page' ? leaf : sections[at % sections.length]!
      const id = idOf(page.path)
      const entry = entryOf(site.plan, id)
      const title = 'Bulbs < corms & tubers'
      const hasLabel = entry.kind === 'page' && entry.label !== ''
      const label = hasLabel ? 'Bulbs & corms' : title
      changes.push({ kind: 'setEntry', entry: id, field: 'title', value: title })
      if (hasLabel) changes.push({ kind: 'setEntry', entry: id, field: 'label', value: label })
      pages = pages.map((one) => (one === page ? { ...one, title, label } : one))
      break
    }
    case 'remove':
      changes.push({ kind: 'remove', entries: [idOf(leaf.path)] })
      pages = pages.filter((one) => one !== leaf)
      break
    case 'move': {
      const to = sections.find(({ path }) => path !== leaf.parent)!
      changes.push({ kind: 'move', entry: idOf(leaf.path), parent: idOf(to.path), place: lastIn(to.path) })
      pages = [...pages.filter((one) => one !== leaf), { ...leaf, parent: to.path }]
      break
    }
    case 'add': {
      // Named as its siblings are.
      const parent = leaf.parent!
      const folder = leaf.path.slice(0, leaf.path.lastIndexOf('/') + 1)
      const stem = parent.replace(/\.\w+$/, '')
      const carried = folder === '' && leaf.path.startsWith(`${stem}-`) ? `${stem}-` : ''
      const path = `${folder}${carried}night-stock${/\.\w+$/.exec(leaf.path)![0]}`
      const content = '<p>Smell it after rain.</p>'
      const beside = entryOf(site.plan, idOf(leaf.path))
      const html = beside.kind === 'page' ? beside.body.html.replace(beside.body.html.trim(), content) : ''
      const page = newPage('new', 'Night stock', { state: 'ready', body: { html, changed: '' } })
      changes.push({
        kind: 'add',
        parent: idOf(parent),
        place: lastIn(parent),
        branches: [{ ...page, entries: [] }],
      })
      pages = [...pages, { path, title: 'Night stock', label: 'Night stock', parent, content }]
      break
    }
  }
  const after = changes.reduce((so, change) => applyChange(so, change).site, site)
  return { after, byHand: { ...hand, pages } }
}
