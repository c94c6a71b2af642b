import { type LinkIn, linksInto } from '@viatica/core/content/linksOfPage.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import type { Finding, Severity } from '@viatica/core/check/rule.ts'
import { type Fixes, fixesInSteps, type FixStep } from '@viatica/core/check/fixes.ts'
import { ruleOf, RULES } from '@viatica/core/check/rules.ts'
import { type Statistics, statisticsInSteps } from '@viatica/core/statistics/statistics.ts'
import { type LinkPicture, linkPicture } from '@viatica/core/statistics/linkPicture.ts'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import type { ListLine } from '@viatica/core/formats/list.ts'
import type { InventoryReading } from '@viatica/core/inventory/read.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Add, Change } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { ancestorsOf } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { type BrokenLink, linksBroken } from '@viatica/core/ripple/broken.ts'
import type { PagePart } from '@viatica/core/page/parts.ts'
import { partBeforeAndAfter, type Ripple, rippleOf } from '@viatica/core/ripple/ripple.ts'
import { createMarker, type PageMarks, type PageSight, sights } from '@viatica/core/seen/seen.ts'
import { type Found, search } from '@viatica/core/search/search.ts'
import { wordsOfSite } from '@viatica/core/spelling/spelling.ts'
import type { WalkReport } from '@viatica/core/walk/walk.ts'
import { expose, transfer } from 'comlink'
import { inSlices } from './slices.ts'
import { thisYear } from '@viatica/core/standard/date.ts'

/** So many findings are told at once. */
const MOST_TOLD = 2000

/** What a change would do, before it is made. */
export interface Foreseen {
  readonly ripple: Ripple
  readonly broken: readonly BrokenLink[]
}

/** A finding as it is shown: its fix, which may hold a whole text, is asked for when it is wanted. */
export interface ShownFinding extends Omit<Finding, 'fix'> {
  readonly severity: Severity
  /** The place of its rule among all rules. */
  readonly ofRule: number
  readonly canFix: boolean
}

const shown = ({ fix, ...found }: Finding): ShownFinding => ({
  ...found,
  severity: ruleOf(found.rule).severity,
  ofRule: RULES.indexOf(ruleOf(found.rule)),
  canFix: fix !== undefined,
})

/** A pasted list as it was understood, with the addresses that its entries would get. */
export interface ListReading {
  readonly lines: readonly ListLine[]
  readonly paths: ReadonlyMap<EntryId, string>
  readonly change: Add | undefined
  /** Why it cannot be added as it is. */
  readonly refused: string | undefined
}

const newId = () => crypto.randomUUID()

/** What few authors need on each day is fetched when it is asked for. */
const later = {
  list: () => import('@viatica/core/formats/list.ts'),
  inventoryReader: () => import('@viatica/core/inventory/read.ts'),
  inventoryWriter: () => import('@viatica/core/inventory/write.ts'),
  walk: () => import('@viatica/core/walk/walk.ts'),
}

/**
 * Whole-site work, away from the screen. It keeps a copy of the open site that follows every change, so that only
 * changes have to be sent.
 */
export class SiteWork {
  #site: Site | undefined
  /** The site before the last step of the author. */
  #before: Site | undefined
  readonly #checker = new Checker()

  /** The copy of the open site. @throws before one was sent */
  get #shown(): Site {
    if (!this.#site) throw new Error('No site is open.')
    return this.#site
  }
  #checks = 0
  #unknownWords: ReadonlySet<string> = new Set()
  #walks = 0
  #countings = 0
  #sightings = 0
  #fixings = 0
  /** The last change that was foreseen, as if it had been made. */
  #foreseen: Site | undefined

  /** Takes a site as it is now. */
  reset(site: Site): void {
    this.#site = this.#before = site
  }

  /** Follows a change. @param goesOn whether it belongs to the same step as the one before it */
  make(change: Change, goesOn: boolean): void {
    if (!goesOn) this.#before = this.#site
    this.#site = applyChange(this.#shown, change).site
  }

  /** What the last step did. */
  ripple(): Ripple {
    return rippleOf(this.#before!, this.#shown, thisYear())
  }

  /** What a change would do; a reason in words when it makes no sense. */
  foresee(change: Change): Foreseen | string {
    try {
      this.#foreseen = applyChange(this.#shown, change).site
    } catch (error) {
      if (error instanceof ChangeRefused) return error.message
      throw error
    }
    return {
      ripple: rippleOf(this.#shown, this.#foreseen, thisYear()),
      broken: linksBroken(this.#shown, this.#foreseen),
    }
  }

  /** A part of a page as HTML, before and after the last step or the change that was foreseen. */
  part(of: 'last' | 'foreseen', page: EntryId, part: PagePart): { before: string; after: string } {
    return of === 'last'
      ? partBeforeAndAfter(this.#before!, this.#shown, page, part, thisYear())
      : partBeforeAndAfter(this.#shown, this.#foreseen!, page, part, thisYear())
  }

  /**
   * The figures of the site. Asked again while one answer is worked out, that one gives way.
   * @param progress called with how many pages are read
   */
  async statistics(progress: (read: number) => unknown): Promise<Statistics | undefined> {
    const mine = ++this.#countings
    const work = statisticsInSteps(this.#shown)
    return (await inSlices(work, () => mine === this.#countings, progress))?.result
  }

  /** The links of texts and of the plan that lead to a page: every text of the site is read for them. */
  incomingLinks(page: EntryId): LinkIn[] {
    return linksInto(this.#shown, page)
  }

  /** Which page links to which. */
  linkPicture(): LinkPicture {
    const picture = linkPicture(this.#shown)
    return transfer(picture, [picture.cells.buffer])
  }

  /**
   * Tells what the rules find, a part at a time. Asked again while one check goes on, that one gives way.
   * @param unknownWords those that no dictionary has
   * @param tell called with how far the check is, of how much, and what was found since the last call
   * @returns whether all was told
   */
  async check(
    unknownWords: ReadonlySet<string>,
    tell: (done: number, total: number, found: readonly ShownFinding[]) => unknown,
  ): Promise<boolean> {
    this.#follow(unknownWords)
    const mine = ++this.#checks
    const isWanted = () => mine === this.#checks
    let found: ShownFinding[] = []
    const tellFound = async (done: number, total: number) => {
      const telling = found
      found = []
      // The window takes up so many without a pause that anybody sees.
      for (let at = 0; at === 0 || at < telling.length; at += MOST_TOLD)
        await tell(done, total, telling.slice(at, at + MOST_TOLD))
    }
    const checker = this.#checker
    const steps = checker.checkInSteps(this.#shown, this.#unknownWords)
    const noted = (function* () {
      for (const { done, total, found: more } of steps) {
        found.push(...more.map(shown))
        yield { done, total }
      }
    })()
    if (!(await inSlices(noted, isWanted, ({ done, total }) => tellFound(done, total)))) return false
    await tellFound(1, 1)
    return isWanted()
  }

  /**
   * Follows every link of the finished site. @param progress called with what was found so far, a few times a second
   * @returns the whole report; undefined when the walk was stopped
   */
  async walk(progress: (report: WalkReport) => unknown): Promise<WalkReport | undefined> {
    const mine = ++this.#walks
    const { walkSite } = await later.walk()
    const walk = walkSite(this.#shown, thisYear())
    return (await inSlices(walk, () => mine === this.#walks, progress))?.result
  }

  /** Keeps the words at hand as one object as long as they are the same: what was found with them is kept, too. */
  #follow(unknownWords: ReadonlySet<string>): void {
    const isSame =
      unknownWords.size === this.#unknownWords.size &&
      [...unknownWords].every((word) => this.#unknownWords.has(word))
    if (!isSame) this.#unknownWords = unknownWords
  }

  /** Every word of the site that is to be looked up. */
  words(): Set<string> {
    return wordsOfSite(this.#shown)
  }

  /** Ends the walk that is going on. */
  stopWalking(): void {
    this.#walks++
  }

  /**
   * How it stands with looking at the pages, in the order in which they are read. Asked again while one answer is
   * worked out, that one gives way.
   */
  async sights(): Promise<PageSight[] | undefined> {
    const mine = ++this.#sightings
    const pages: PageSight[] = []
    const looking = sights(this.#shown, thisYear())
    const noted = (function* () {
      for (const sight of looking) yield pages.push(sight)
    })()
    return (await inSlices(noted, () => mine === this.#sightings)) && pages
  }

  /** What a page is like now, to be kept with the tick that it was seen. */
  marks(page: EntryId): PageMarks {
    return createMarker(this.#shown, thisYear())(page)
  }

  /**
   * The changes that fix findings, all of them together. Asked again while one answer is worked out, that one gives way.
   * @param progress called with how many were gone through
   * @returns undefined when it was stopped
   */
  async fixes(keys: readonly string[], progress: (step: FixStep) => unknown): Promise<Fixes | undefined> {
    const mine = ++this.#fixings
    const work = fixesInSteps(this.#shown, keys)
    return (await inSlices(work, () => mine === this.#fixings, progress))?.result
  }

  /** Ends the search for fixes that is going on. */
  stopFixing(): void {
    this.#fixings++
  }

  /** Ends the check that is going on. */
  stopChecking(): void {
    this.#checks++
  }

  search(words: string): Found[] {
    return search(this.#shown, words)
  }

  /** Reads a pasted list as entries to add under `parent` at `place`. */
  async readList(text: string, parent: EntryId, place: number): Promise<ListReading> {
    const { readList } = await later.list()
    const { plan } = this.#shown
    const titles = [...plan.entries.values()].map((entry) =>
      (entry.kind === 'page' ? entry.title : entry.label).toLowerCase(),
    )
    const { lines, branches } = readList(text, {
      newId,
      levelsAbove: ancestorsOf(plan, parent).length + 1,
      present: plan.entries.size,
      known: new Set(titles),
      ...(parent === plan.home ? { home: { id: plan.home, siteName: this.#shown.settings.name } } : {}),
    })
    if (branches.length === 0) return { lines, paths: new Map(), change: undefined, refused: undefined }
    const change: Add = { kind: 'add', parent, place, branches: [...branches] }
    try {
      const { paths } = addressesOf(applyChange(this.#shown, change).site)
      return { lines, paths, change, refused: undefined }
    } catch (error) {
      if (error instanceof ChangeRefused)
        return { lines, paths: new Map(), change: undefined, refused: error.message }
      throw error
    }
  }

  /** The inventory as CSV. */
  async writeInventory(): Promise<string> {
    const { writeInventory } = await later.inventoryWriter()
    return writeInventory(this.#shown)
  }

  /** What a changed inventory would do; the place of its fault in words when it cannot be kept. */
  async readInventory(text: string, how?: string): Promise<InventoryReading | string> {
    const { readInventory } = await later.inventoryReader()
    try {
      return readInventory(text, this.#shown, newId, how)
    } catch (error) {
      if (error instanceof InputFault) return error.message
      throw error
    }
  }
}

expose(new SiteWork())
