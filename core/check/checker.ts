import { addressesOf } from '../address/addresses.ts'
import { clicksFromHome, linkGraph } from '../statistics/linkGraph.ts'
import { bodyMark } from '../plan/bodyMark.ts'
import type { EntryId, PageEntry } from '../plan/entry.ts'
import { walk } from '../plan/plan.ts'
import { isWritten, type Site } from '../plan/site.ts'
import type { UnknownWords } from '../spelling/spelling.ts'
import type { Checked, Finding, Found, PageRule, FindingPlace, Rule, SiteRule } from './rule.ts'
import { RULES } from './rules.ts'

/** What a rule found the last time, and what that followed from. */
interface Remembered {
  readonly from: readonly unknown[]
  readonly findings: readonly Finding[]
}

const NONE: UnknownWords = new Set()

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
  const pages = [...walk(site.plan)].flatMap(({ entry }): PageEntry[] =>
    isWritten(site, entry) ? [entry] : [],
  )
  let graph: Checked['graph'] | undefined
  let clicks: Checked['clicks'] | undefined
  return {
    site,
    addresses: addressesOf(site),
    pages,
    unknownWords,
    get graph() {
      return (graph ??= linkGraph(site))
    },
    get clicks() {
      return (clicks ??= clicksFromHome(site, this.graph))
    },
  }
}

/**
 * Checks one site again and again as it changes. What a rule found is kept as long as all that it followed from is the
 * same, so that an edit costs what it touched.
 */
export class Checker {
  readonly #ofPages = new Map<string, Map<EntryId, Remembered>>()
  readonly #ofSite = new Map<string, Remembered>()

  /**
   * The findings on a site, in the order of the rules and the plan.
   * @param unknownWords those that dictionaries were asked for and do not have
   */
  check(site: Site, unknownWords: UnknownWords = NONE): readonly Finding[] {
    const checking = this.checkInSteps(site, unknownWords)
    for (;;) {
      const step = checking.next()
      if (step.done) return step.value
    }
  }

  /** As check, one rule after the other: it gives how many are done, and may be left at any step. */
  *checkInSteps(site: Site, unknownWords: UnknownWords = NONE): Generator<number, readonly Finding[]> {
    const checked = checkedOf(site, unknownWords)
    const findings: Finding[] = []
    for (const [done, rule] of RULES.entries()) {
      yield done
      findings.push(...('find' in rule ? this.#pages(rule, checked) : this.#site(rule, checked)))
    }
    return findings
  }

  #pages(rule: PageRule, checked: Checked): Finding[] {
    const before = this.#ofPages.get(rule.id)
    const now = new Map<EntryId, Remembered>()
    for (const page of checked.pages) {
      const from = rule.from(checked, page)
      const known = before?.get(page.id)
      now.set(
        page.id,
        known && isSame(known.from, from) ? known : { from, findings: keyed(rule, rule.find(checked, page)) },
      )
    }
    this.#ofPages.set(rule.id, now)
    return [...now.values()].flatMap(({ findings }) => findings)
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
