import { isGeneratedAlike } from '../address/generated.ts'
import { addressesOf } from '../address/addresses.ts'
import { endKey, whereIs } from '../navigate/leads.ts'
import { indexOfMenu, hereMark, isSameEverywhere, itemsShown, type MenuItem } from '../navigate/menu.ts'
import { type Neighbours, neighboursOf } from '../navigate/readingOrder.ts'
import { outputOf } from '../pieces/outputs.ts'
import { type Body, labelOf } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { ancestorsOf, childrenOf, type Plan, walk } from '../plan/plan.ts'
import { isOfPieces, type Site } from '../plan/site.ts'
import type { Menu } from '../plan/surround/menu.ts'
import type { MenuShape } from '../plan/surround/menuShape.ts'
import { standings } from '../plan/surround/surround.ts'
import type { Call } from '../render/authorHtml.ts'
import { compileBody } from '../render/body.ts'
import { isSameMark, partOfPiece, type PagePart } from '../page/parts.ts'

/**
 * How far a change of the plan reaches: which pages must be written to see whether they differ, and what differs on all
 * others. What a change does to a menu is worked out once for all pages that carry it.
 */
export interface Reach {
  /**
   * What a page may have of its own that differs: where the links of its text lead; or anything, its words, its way, what
   * comes before and after, so that it must be written to be seen.
   */
  ownDifference(page: EntryId): 'none' | 'text links' | 'any'
  /** What differs on a page that does not differ in what it has of its own. */
  sharedParts(page: EntryId): ReadonlySet<PagePart>
}

/** A site with where its pages stand. */
interface Sited {
  readonly site: Site
  readonly plan: Plan
  readonly paths: ReadonlyMap<EntryId, string>
  readonly neighbours: (page: EntryId) => Neighbours
}

function sited(site: Site): Sited {
  return {
    site,
    plan: site.plan,
    paths: addressesOf(site).paths,
    neighbours: neighboursOf(site),
  }
}

/** What a change did to single entries. */
interface Touched {
  /** Entries that are not the same object, stand elsewhere, or have others under them. */
  readonly any: ReadonlySet<EntryId>
  /** Those whose label, place or banner the pages under them show. */
  readonly above: ReadonlySet<EntryId>
  /** Those that are called otherwise, or stand at another address. */
  readonly named: ReadonlySet<EntryId>
  /** Those that stand at another address. */
  readonly moved: ReadonlySet<EntryId>
}

function touchedBetween(a: Sited, b: Sited): Touched {
  const [any, above, named, moved] = [0, 1, 2, 3].map(() => new Set<EntryId>()) as [
    Set<EntryId>,
    Set<EntryId>,
    Set<EntryId>,
    Set<EntryId>,
  ]
  // Mostly a change leaves the hierarchy as it is, as the same object.
  const [isSameParents, isSameChildren] = [
    a.plan.parents === b.plan.parents,
    a.plan.children === b.plan.children,
  ]
  const look = (id: EntryId) => {
    const [was, is] = [a.plan.entries.get(id), b.plan.entries.get(id)]
    const stands = isSameParents || a.plan.parents.get(id) === b.plan.parents.get(id)
    const isSamePath = a.paths.get(id) === b.paths.get(id)
    const isSameUnder = isSameChildren || a.plan.children.get(id) === b.plan.children.get(id)
    if (was === is && stands && isSamePath && isSameUnder) return
    any.add(id)
    const goes = whereIs(a.site, id) !== whereIs(b.site, id)
    if (goes) moved.add(id)
    const isNamed = !was || !is || labelOf(was) !== labelOf(is)
    if (goes || isNamed) named.add(id)
    const banner = (entry: typeof was) => (entry?.kind === 'page' ? entry.banner : undefined)
    if (goes || isNamed || !stands || was.kind !== is.kind || banner(was) !== banner(is)) above.add(id)
  }
  for (const id of b.plan.entries.keys()) look(id)
  for (const id of a.plan.entries.keys()) if (!b.plan.entries.has(id)) look(id)
  return { any, above, named, moved }
}

/** What a text must hold to point to an entry, however it is written. */
const MAY_POINT = /entry|&#/i
const pointed = new WeakMap<Body, readonly EntryId[]>()

/** The entries that a text points to. */
function entriesPointedTo(body: Body): readonly EntryId[] {
  let ids = pointed.get(body)
  if (!ids) {
    const pointers = MAY_POINT.test(body.html) ? compileBody(body).pointers : []
    ids = pointers.flatMap(({ to, id }) => (to === 'entry' ? [id] : []))
    pointed.set(body, ids)
  }
  return ids
}

/** A text must hold it to call a computed part. */
const MAY_CALL = /put-/i
/** What computed parts of a text follow from, beside what the page shows of its own and of those around it. */
type Following = 'nothing' | 'what is under the page' | 'the plan'
const followed = new WeakMap<Body, Following>()

function followingOf({ element, attributes }: Call): Following {
  // Picked pages are anywhere in the plan.
  if (element === 'put-pages' && 'of' in attributes) return 'the plan'
  switch (element) {
    case 'put-menu':
    case 'put-site-map':
      return 'the plan'
    case 'put-pages':
      return 'what is under the page'
    case 'put-breadcrumb':
    case 'put-pager':
    case 'put-title':
    case 'put-year':
      return 'nothing'
  }
}

function whatTextFollows(body: Body): Following {
  let following = followed.get(body)
  if (!following) {
    const all = (MAY_CALL.test(body.html) ? compileBody(body).calls : []).map(followingOf)
    following = all.find((one) => one === 'the plan') ?? all.find((one) => one !== 'nothing') ?? 'nothing'
    followed.set(body, following)
  }
  return following
}

/** How two projections of a menu differ; `unsure`: they read the same, and stand for other entries. */
type MenuDifference = 'same' | 'differs' | 'unsure'

function compareItems(a: Sited, b: Sited, was: readonly MenuItem[], is: readonly MenuItem[]): MenuDifference {
  if (was.length !== is.length) return 'differs'
  let difference: MenuDifference = 'same'
  for (const [at, item] of was.entries()) {
    const other = is[at]!
    if (item.label !== other.label || endKey(a.site, item.target) !== endKey(b.site, other.target))
      return 'differs'
    if (item.id !== other.id || item.entry !== other.entry) difference = 'unsure'
    const under = compareItems(a, b, item.items, other.items)
    if (under === 'differs') return 'differs'
    if (under === 'unsure') difference = 'unsure'
  }
  return difference
}

/** Whether the items of two projections stand for the same entries, at the same places. */
function standsTheSame(was: readonly MenuItem[], is: readonly MenuItem[]): boolean {
  return (
    was.length === is.length &&
    was.every((item, at) => {
      const other = is[at]!
      return item.id === other.id && item.entry === other.entry && standsTheSame(item.items, other.items)
    })
  )
}

/** What a menu is before and after, on the pages that show the same of it. */
interface MenuVariant {
  readonly difference: MenuDifference
  isMarkedSame(page: EntryId): boolean
}

/** A menu somewhere in the surround. */
interface PlacedMenu {
  /** The part of a page that it belongs to. */
  readonly part: PagePart
  readonly variantOf: (page: EntryId) => MenuVariant | undefined
}

function variant(a: Sited, b: Sited, menu: Menu, shape: MenuShape, page: EntryId): MenuVariant {
  const [was, is] = [a, b].map(({ site }) => itemsShown(site, menu, shape, page))
  const difference = compareItems(a, b, was!, is!)
  let indexes: ReturnType<typeof indexOfMenu>[] | undefined
  const standSame = standsTheSame(was!, is!)
  return {
    difference,
    isMarkedSame(on) {
      // What stands above the page is the same: so are its marks, where the items are.
      if (standSame) return true
      indexes ??= [indexOfMenu(was!), indexOfMenu(is!)]
      return isSameMark(hereMark(a.plan, indexes[0]!, on), hereMark(b.plan, indexes[1]!, on))
    },
  }
}

/** What a menu that follows the page does to each: only sections with something touched in them are looked at. */
function sectionVariants(a: Sited, b: Sited, any: ReadonlySet<EntryId>, menu: Menu, shape: MenuShape) {
  const sections = new Set(
    [...any].flatMap((id) => [a, b].map(({ plan }) => [...ancestorsOf(plan, id), id][1])),
  )
  const known = new Map<string, MenuVariant>()
  return (page: EntryId) => {
    const way = [...ancestorsOf(b.plan, page), page]
    if (!sections.has(way[1])) return undefined
    // What is opened along the way to a page without others under it is the same for all beside it.
    const key = childrenOf(b.plan, page).length > 0 ? page : `beside ${way.at(-2)}`
    const there = known.get(key)
    if (there) return there
    const made = variant(a, b, menu, shape, page)
    known.set(key, made)
    return made
  }
}

/** Links that lead on to what was touched are touched, too. */
function withLinksTo({ plan }: Sited, touched: ReadonlySet<EntryId>): ReadonlySet<EntryId> {
  const links = new Map<EntryId, EntryId[]>()
  for (const entry of plan.entries.values()) {
    if (entry.kind !== 'link' || entry.target.to !== 'entry') continue
    links.set(entry.target.entry, [...(links.get(entry.target.entry) ?? []), entry.id])
  }
  const all = new Set(touched)
  // A set that is added to while it is gone through gives what was added, too.
  for (const id of all) for (const link of links.get(id) ?? []) all.add(link)
  return all
}

/** Says how far a change reaches; undefined where it may reach anything: it is more than one of the plan. */
export function reachOf(before: Site, after: Site): Reach | undefined {
  if (!isOfPieces(before) || !isOfPieces(after)) return undefined
  const isOfPlan =
    before.settings === after.settings &&
    before.surround === after.surround &&
    before.files === after.files &&
    isGeneratedAlike(before, after) &&
    before.plan.home === after.plan.home
  if (!isOfPlan) return undefined
  const [a, b] = [sited(before), sited(after)]
  const touched = touchedBetween(a, b)
  const all = [...standings(after.surround)]

  const everywhere = new Set(
    all.flatMap((one) => {
      const { fromPlan } = outputOf(one.piece.kind)
      return fromPlan(one.piece, before) === fromPlan(one.piece, after) ? [] : [partOfPiece(one)]
    }),
  )
  let isUnsure = false
  const widened = new Set([...withLinksTo(a, touched.any), ...withLinksTo(b, touched.any)])
  const menus = all
    .flatMap((one) =>
      outputOf(one.piece.kind)
        .menus(one.piece, after)
        .map((shown) => ({ ...shown, part: partOfPiece(one) })),
    )
    .flatMap(({ menu, shape, part }): PlacedMenu[] => {
      if (!isSameEverywhere(menu)) return [{ part, variantOf: sectionVariants(a, b, widened, menu, shape) }]
      const one = variant(a, b, menu, shape, b.plan.home)
      if (one.difference === 'unsure') isUnsure = true
      return one.difference === 'same' ? [] : [{ part, variantOf: () => one }]
    })
  if (isUnsure) return undefined

  /** What stands at or under what it shows and what was touched. */
  const isUnder = new Set<EntryId>()
  for (const id of touched.above)
    if (b.plan.entries.has(id) && !isUnder.has(id))
      for (const { entry } of walk(b.plan, id)) isUnder.add(entry.id)
  /** The pages under which something was touched, or a link to something that was. */
  const isAbove = new Set([a, b].flatMap(({ plan }) => [...widened].flatMap((id) => ancestorsOf(plan, id))))
  const isComputedAnew = (page: EntryId) => {
    const entry = b.plan.entries.get(page)
    switch (entry?.kind === 'page' ? whatTextFollows(entry.body) : 'nothing') {
      case 'the plan':
        return touched.any.size > 0
      case 'what is under the page':
        return isAbove.has(page)
      case 'nothing':
        return false
    }
  }
  const orderDiffers = (page: EntryId) => {
    const [was, is] = [a.neighbours(page), b.neighbours(page)]
    return (['previous', 'next'] as const).some(
      (side) => was[side] !== is[side] || (is[side] !== undefined && touched.named.has(is[side])),
    )
  }

  return {
    ownDifference(page) {
      const entry = b.plan.entries.get(page)
      const isAny =
        touched.any.has(page) ||
        isUnder.has(page) ||
        orderDiffers(page) ||
        isComputedAnew(page) ||
        menus.some(({ variantOf }) => variantOf(page)?.difference === 'unsure')
      if (isAny) return 'any'
      const isPointing =
        touched.moved.size > 0 &&
        entry?.kind === 'page' &&
        entriesPointedTo(entry.body).some((id) => touched.moved.has(id))
      if (!isPointing) return 'none'
      return compileBody(entry.body).calls.length > 0 ? 'any' : 'text links'
    },
    sharedParts(page) {
      if (menus.length === 0) return everywhere
      const parts = new Set<PagePart>(everywhere)
      for (const { part, variantOf } of menus) {
        const shown = variantOf(page)
        if (shown?.difference !== 'differs') continue
        parts.add(part)
        if (part === 'menu' && !shown.isMarkedSame(page)) parts.add('here mark')
      }
      return parts
    },
  }
}
