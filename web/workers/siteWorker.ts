import { type LinkIn, linksInto } from '@viatica/core/content/linksOfPage.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { Checker } from '@viatica/core/check/checker.ts'
import type { Finding, Severity } from '@viatica/core/check/rule.ts'
import { fixesOf } from '@viatica/core/check/fixes.ts'
import { ruleOf, RULES } from '@viatica/core/check/rules.ts'
import { type Statistics, statisticsOf } from '@viatica/core/statistics/statistics.ts'
import { type LinkPicture, linkPicture } from '@viatica/core/statistics/linkPicture.ts'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import type { ListLine } from '@viatica/core/formats/list.ts'
import type { InventoryReading } from '@viatica/core/inventory/read.ts'
import { applyChange } from '@viatica/core/plan/change/apply.ts'
import type { Add, Change, SingleChange } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused } from '@viatica/core/plan/change/refused.ts'
import type { EntryId } from '@viatica/core/plan/entry.ts'
import { ancestorsOf } from '@viatica/core/plan/plan.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { type BrokenLink, linksBroken } from '@viatica/core/ripple/broken.ts'
import type { RipplePart } from '@viatica/core/ripple/parts.ts'
import { partBeforeAndAfter, type Ripple, rippleOf } from '@viatica/core/ripple/ripple.ts'
import { createMarker, type PageMarks, type PageSight, sights } from '@viatica/core/seen/seen.ts'
import { type Found, search } from '@viatica/core/search/search.ts'
import { wordsOfSite } from '@viatica/core/spelling/spelling.ts'
import type { WalkReport } from '@viatica/core/walk/walk.ts'
import { expose, transfer } from 'comlink'
import { thisYear } from '@viatica/core/standard/date.ts'

/** What a change would do, before it is made. */
export interface Foreseen {
  readonly ripple: Ripple
  readonly broken: readonly BrokenLink[]
}

/** A finding as it is shown: its fix, which may hold a whole text, is asked for when it is wanted. */
export interface ShownFinding extends Omit<Finding, 'fix'> {
  readonly severity: Severity
  readonly canFix: boolean
}

const shown = ({ fix, ...found }: Finding): ShownFinding => ({
  ...found,
  severity: ruleOf(found.rule).severity,
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
  #checks = 0
  #unknownWords: ReadonlySet<string> = new Set()
  #walks = 0
  #sightings = 0
  /** The last change that was foreseen, as if it had been made. */
  #foreseen: Site | undefined

  /** Takes a site as it is now. */
  reset(site: Site): void {
    this.#site = this.#before = site
  }

  /** Follows a change. @param goesOn whether it belongs to the same step as the one before it */
  make(change: Change, goesOn: boolean): void {
    if (!goesOn) this.#before = this.#site
    this.#site = applyChange(this.#site!, change).site
  }

  /** What the last step did. */
  ripple(): Ripple {
    return rippleOf(this.#before!, this.#site!, thisYear())
  }

  /** What a change would do; a reason in words when it makes no sense. */
  foresee(change: Change): Foreseen | string {
    try {
      this.#foreseen = applyChange(this.#site!, change).site
    } catch (error) {
      if (error instanceof ChangeRefused) return error.message
      throw error
    }
    return {
      ripple: rippleOf(this.#site!, this.#foreseen, thisYear()),
      broken: linksBroken(this.#site!, this.#foreseen),
    }
  }

  /** A part of a page as HTML, before and after the last step or the change that was foreseen. */
  part(of: 'last' | 'foreseen', page: EntryId, part: RipplePart): { before: string; after: string } {
    return of === 'last'
      ? partBeforeAndAfter(this.#before!, this.#site!, page, part, thisYear())
      : partBeforeAndAfter(this.#site!, this.#foreseen!, page, part, thisYear())
  }

  statistics(): Statistics {
    return statisticsOf(this.#site!)
  }

  /** The links of texts and of the plan that lead to a page: every text of the site is read for them. */
  incomingLinks(page: EntryId): LinkIn[] {
    return linksInto(this.#site!, page)
  }

  /** Which page links to which. */
  linkPicture(): LinkPicture {
    const picture = linkPicture(this.#site!)
    return transfer(picture, [picture.cells.buffer])
  }

  /**
   * What the rules find. Asked again while one check goes on, that one gives way.
   * @param unknownWords those that no dictionary has
   * @param progress called with how many rules are done, of how many
   */
  async check(
    unknownWords: ReadonlySet<string>,
    progress: (done: number, total: number) => void,
  ): Promise<readonly ShownFinding[] | undefined> {
    this.#follow(unknownWords)
    const mine = ++this.#checks
    const checking = this.#checker.checkInSteps(this.#site!, this.#unknownWords)
    for (;;) {
      // Between two rules, what was asked meanwhile gets its turn.
      await new Promise((resolve) => setTimeout(resolve))
      if (mine !== this.#checks) return undefined
      const step = checking.next()
      if (step.done) return step.value.map(shown)
      progress(step.value, RULES.length)
    }
  }

  /**
   * Follows every link of the finished site. @param progress called with what was found so far, a few times a second
   * @returns the whole report; undefined when the walk was stopped
   */
  async walk(progress: (report: WalkReport) => void): Promise<WalkReport | undefined> {
    const mine = ++this.#walks
    const { walkSite } = await later.walk()
    let last: WalkReport | undefined
    let told = 0
    for (const report of walkSite(this.#site!, thisYear())) {
      last = report
      if (performance.now() - told < 200) continue
      told = performance.now()
      progress(report)
      // What was asked meanwhile gets its turn: also the wish to stop.
      await new Promise((resolve) => setTimeout(resolve))
      if (mine !== this.#walks) return undefined
    }
    return last
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
    return wordsOfSite(this.#site!)
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
    for (const sight of sights(this.#site!, thisYear())) {
      pages.push(sight)
      if (pages.length % 50 > 0) continue
      await new Promise((resolve) => setTimeout(resolve))
      if (mine !== this.#sightings) return undefined
    }
    return pages
  }

  /** What a page is like now, to be kept with the tick that it was seen. */
  marks(page: EntryId): PageMarks {
    return createMarker(this.#site!, thisYear())(page)
  }

  /** The changes that fix findings, all of them together. */
  fixes(keys: readonly string[]): { changes: SingleChange[]; count: number } {
    return fixesOf(this.#site!, keys)
  }

  /** Ends the check that is going on. */
  stopChecking(): void {
    this.#checks++
  }

  search(words: string): Found[] {
    return search(this.#site!, words)
  }

  /** Reads a pasted list as entries to add under `parent` at `place`. */
  async readList(text: string, parent: EntryId, place: number): Promise<ListReading> {
    const { readList } = await later.list()
    const { plan } = this.#site!
    const titles = [...plan.entries.values()].map((entry) =>
      (entry.kind === 'page' ? entry.title : entry.label).toLowerCase(),
    )
    const { lines, branches } = readList(text, {
      newId,
      levelsAbove: ancestorsOf(plan, parent).length + 1,
      present: plan.entries.size,
      known: new Set(titles),
      ...(parent === plan.home ? { home: { id: plan.home, siteName: this.#site!.settings.name } } : {}),
    })
    if (branches.length === 0) return { lines, paths: new Map(), change: undefined, refused: undefined }
    const change: Add = { kind: 'add', parent, place, branches: [...branches] }
    try {
      const { paths } = addressesOf(applyChange(this.#site!, change).site)
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
    return writeInventory(this.#site!)
  }

  /** What a changed inventory would do; the place of its fault in words when it cannot be kept. */
  async readInventory(text: string): Promise<InventoryReading | string> {
    const { readInventory } = await later.inventoryReader()
    try {
      return readInventory(text, this.#site!, newId)
    } catch (error) {
      if (error instanceof InputFault) return error.message
      throw error
    }
  }
}

expose(new SiteWork())
