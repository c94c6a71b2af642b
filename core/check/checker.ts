import { addressesOf } from '../address/addresses.ts'
import { itemAt } from '../standard/present.ts'
import { clicksFromHome, linkGraph } from '../statistics/linkGraph.ts'
import { bodyMark } from '../plan/bodyMark.ts'
import type { PageEntry } from '../plan/entry.ts'
import type { EntryId } from '../plan/ids.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { NO_WORDS, type UnknownWords } from '../spelling/spelling.ts'
import type { Checked, Finding, Found, FindingPlace, Rule, SiteRule } from './rule.ts'
import { RULES } from './rules.ts'

/** What a rule found the last time, and what that followed from. */
interface Remembered {
  readonly from: readonly unknown[]
  readonly findings: readonly Finding[]
}

const isSame = (a: readonly unknown[], b: readonly unknown[]) =>
  a.length === b.length && a.every((one, at) => one === b[at])

const nameOf = (place: FindingPlace): string => {
  switch (place.in) {
    case 'entry':
    case 'content':
      return place.entry
    case 'piece':
      return place.piece
    case 'menu':
      return place.menu
    case 'template':
      return place.template
    case 'look':
      return ''
  }
}

/** Findings with keys: of those that judge the same in one place, each has a number. */
function keyed(rule: Rule, found: readonly Found[]): Finding[] {
  const seen = new Map<string, number>()
  return found.map((one) => {
    const base = `${rule.id}:${nameOf(one.place)}:${bodyMark(one.gist)}`
    const count = (seen.get(base) ?? 0) + 1
    seen.set(base, count)
    return { ...one, rule: rule.id, key: count === 1 ? base : `${base}:${count}` }
  })
}

function checkedOf(site: Site, unknownWords: UnknownWords): Checked {
  let pages: Checked['pages'] | undefined
  let graph: Checked['graph'] | undefined
  let clicks: Checked['clicks'] | undefined
  return {
    site,
    get addresses() {
      return addressesOf(site)
    },
    unknownWords,
    get pages() {
      return (pages ??= [...walk(site.plan)].flatMap(({ entry }): PageEntry[] =>
        isWritten(site, entry) ? [entry] : [],
      ))
    },
    get graph() {
      return (graph ??= linkGraph(site))
    },
    get clicks() {
      return (clicks ??= clicksFromHome(site, this.graph))
    },
  }
}

/** How far a check is, and what the last step found. */
export interface CheckStep {
  readonly done: number
  readonly total: number
  readonly found: readonly Finding[]
}

const PAGE_RULES = RULES.flatMap((rule, at) => ('find' in rule ? [{ rule, at }] : []))
const SITE_RULES = RULES.flatMap((rule, at) => ('find' in rule ? [] : [{ rule, at }]))

/**
 * Checks one site again and again as it changes. What a rule found is kept as long as all that it followed from is the
 * same, so that an edit costs what it touched.
 */
export class Checker {
  /** Of each page, by the place of the rule among the rules of pages. */
  readonly #ofPages = new Map<EntryId, Remembered[]>()
  readonly #ofSite = new Map<string, Remembered>()

  /**
   * The findings on a site, in the order of the rules and the plan.
   * @param unknownWords those that dictionaries were asked for and do not have
   */
  check(site: Site, unknownWords: UnknownWords = NO_WORDS): readonly Finding[] {
    const checking = this.checkInSteps(site, unknownWords)
    for (;;) {
      const step = checking.next()
      if (step.done) return step.value
    }
  }

  /**
   * As check, in small steps: page by page, each by all rules of pages, so that its text is read once; then the rules
   * of the site. It may be left at any step.
   */
  *checkInSteps(site: Site, unknownWords: UnknownWords = NO_WORDS): Generator<CheckStep, readonly Finding[]> {
    const checked = checkedOf(site, unknownWords)
    const byRule: Finding[][] = RULES.map(() => [])
    const total = checked.pages.length + SITE_RULES.length
    let done = 0
    for (const page of checked.pages) {
      const remembered = this.#page(checked, page)
      this.#ofPages.set(page.id, remembered)
      const found: Finding[] = []
      for (const [n, { at }] of PAGE_RULES.entries()) {
        itemAt(byRule, at).push(...itemAt(remembered, n).findings)
        found.push(...itemAt(remembered, n).findings)
      }
      for (const { rule } of SITE_RULES) rule.read?.(checked, page)
      yield { done: ++done, total, found }
    }
    for (const { rule, at } of SITE_RULES) {
      byRule[at] = [...this.#site(rule, checked)]
      yield { done: ++done, total, found: byRule[at] }
    }
    if (this.#ofPages.size > checked.pages.length) {
      const there = new Set(checked.pages.map(({ id }) => id))
      for (const id of this.#ofPages.keys()) if (!there.has(id)) this.#ofPages.delete(id)
    }
    return byRule.flat()
  }

  /**
   * A finding of the last check as it is on the site now: by its rule alone, and if that is one of pages, on its page alone.
   * Undefined where it is gone.
   */
  again(site: Site, { rule: id, key }: Finding): Finding | undefined {
    const checked = checkedOf(site, NO_WORDS)
    const ofSite = SITE_RULES.find(({ rule }) => rule.id === id)
    if (ofSite) return this.#site(ofSite.rule, checked).find((one) => one.key === key)
    const n = PAGE_RULES.findIndex(({ rule }) => rule.id === id)
    const [, pageId] = key.split(':')
    const page = site.plan.entries.get(pageId ?? '')
    if (n < 0 || !isWritten(site, page)) return undefined
    const remembered = this.#ofPages.get(page.id)?.slice()
    if (!remembered) return undefined
    remembered[n] = this.#pageBy(n, checked, page, remembered[n])
    this.#ofPages.set(page.id, remembered)
    return remembered[n].findings.find((one) => one.key === key)
  }

  #page(checked: Checked, page: PageEntry): Remembered[] {
    const before = this.#ofPages.get(page.id)
    return PAGE_RULES.map((_, n) => this.#pageBy(n, checked, page, before?.[n]))
  }

  #pageBy(n: number, checked: Checked, page: PageEntry, known: Remembered | undefined): Remembered {
    const { rule } = PAGE_RULES[n]!
    const from = rule.from(checked, page)
    return known && isSame(known.from, from)
      ? known
      : { from, findings: keyed(rule, rule.find(checked, page)) }
  }

  #site(rule: SiteRule, checked: Checked): readonly Finding[] {
    const from = rule.from(checked)
    let known = this.#ofSite.get(rule.id)
    if (!known || !isSame(known.from, from)) {
      known = { from, findings: keyed(rule, rule.findAll(checked)) }
      this.#ofSite.set(rule.id, known)
    }
    return known.findings
  }
}
