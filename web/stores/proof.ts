import type { FixStep } from '@viatica/core/check/fixes.ts'
import { itemAt } from '@viatica/core/standard/present.ts'
import { promiseTimeout, watchDebounced } from '@vueuse/core'
import { shortened } from '@viatica/core/standard/text.ts'
import type { Severity } from '@viatica/core/check/rule.ts'
import { SEVERITIES } from '@viatica/core/check/rule.ts'
import type { Batch } from '@viatica/core/plan/change/change.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Foreseen, ShownFinding } from '../workers/siteWorker.ts'
import { siteWork } from '../workers/siteWork.ts'
import { useOpenSite } from './openSite.ts'
import { type Question, useRipple } from './ripple.ts'
import { useSpelling } from './spelling.ts'

/** An edit is checked when the typing pauses. */
const PAUSE_MS = 700

/** After the first check. Reading a dictionary must not slow down the opening of a site. */
const SPELLING_AFTER_MS = 2000

/** What a check has found so far is shown anew after this. */
const SHOW_MS = 1000

/** Findings in the order of the rules, those of each as they came. */
function byRule(found: readonly ShownFinding[]): ShownFinding[] {
  const rules: ShownFinding[][] = []
  for (const one of found) (rules[one.ofRule] ??= []).push(one)
  return rules.flat()
}

/** The page that a finding is on; undefined for one that is on all. */
export function entryOf({ place }: Pick<ShownFinding, 'place'>): EntryId | undefined {
  return place.in === 'entry' || place.in === 'content' ? place.entry : undefined
}

/** What the rules find on the open site, kept up as it is edited. */
export const useProof = defineStore('proof', () => {
  const openSite = useOpenSite()
  const ripple = useRipple()
  const spelling = useSpelling()
  /** All findings, those that were set aside too; undefined before the first check. */
  const all = shallowRef<readonly ShownFinding[]>()
  /** What the first check has found while it goes on. */
  const sofar = shallowRef<readonly ShownFinding[]>()
  let checks = 0
  /** How far a check is, of how much, while it goes on. */
  const progress = ref<readonly [number, number]>()
  /** How many findings were gone through for their fixes, of how many. */
  const fixProgress = ref<readonly [number, number]>()
  let fixings = 0
  const chosenKey = ref('')
  /** The keys of the findings in the order in which they are shown. */
  const order = shallowRef<readonly string[]>([])
  /** Counts up when a finding was dealt with, and the next one is chosen. */
  const wentOn = ref(0)

  /** Chooses what comes after findings that are dealt with; what comes before them where they are the last. */
  function goOn(from: readonly string[]): void {
    const done = new Set(from)
    const at = order.value.findIndex((key) => done.has(key))
    const left = (key: string) => !done.has(key)
    chosenKey.value =
      order.value.slice(at).find(left) ?? order.value.slice(0, Math.max(0, at)).findLast(left) ?? ''
    wentOn.value++
  }

  const reasons = computed(
    () => new Map((openSite.site?.settings.setAside ?? []).map(({ key, reason }) => [key, reason])),
  )
  const told = computed(() => all.value ?? sofar.value ?? [])
  const findings = computed(() => told.value.filter(({ key }) => !reasons.value.has(key)))
  /** Findings that were set aside, and whose place is as it was. */
  const aside = computed(() => told.value.filter(({ key }) => reasons.value.has(key)))

  const counts = computed(() => {
    const count: Record<Severity, number> = { error: 0, warning: 0, hint: 0 }
    for (const { severity } of findings.value) count[severity]++
    return count
  })
  /** How many faults and warnings each entry has. */
  const byEntry = computed(() => {
    const count = new Map<EntryId, number>()
    for (const finding of findings.value) {
      const entry = entryOf(finding)
      if (entry !== undefined && finding.severity !== 'hint') count.set(entry, (count.get(entry) ?? 0) + 1)
    }
    return count
  })

  async function check(): Promise<void> {
    const checked = openSite.id
    const mine = ++checks
    const isFirst = all.value === undefined
    const found: ShownFinding[] = []
    let shownAt = Date.now()
    const isWhole = await siteWork.check(
      spelling.unknown,
      proxy((done: number, total: number, more: readonly ShownFinding[]) => {
        if (mine !== checks) return
        found.push(...more)
        progress.value = [done, total]
        // The first check of a large site takes a while: what it found so far is of use.
        if (!isFirst || Date.now() - shownAt < SHOW_MS) return
        sofar.value = byRule(found)
        shownAt = Date.now()
      }),
    )
    // Another check has taken its place, or another site.
    if (!isWhole || mine !== checks || checked !== openSite.id) return
    progress.value = undefined
    sofar.value = undefined
    all.value = byRule(found)
    // New words are looked up once the rest is told; those that are unknown are found by the next check.
    if (isFirst) {
      await promiseTimeout(SPELLING_AFTER_MS)
      if (mine !== checks || checked !== openSite.id) return
    }
    if (spelling.dictionaries.length > 0) void spelling.lookUp(await siteWork.words())
  }

  function stop(): void {
    checks++
    progress.value = undefined
    void siteWork.stopChecking()
  }

  watch(
    () => openSite.id,
    () => (all.value = sofar.value = undefined),
  )
  watchDebounced(
    () => [openSite.site, spelling.unknown],
    ([site]) => {
      if (site) void check()
    },
    { immediate: true, debounce: PAUSE_MS },
  )

  /** Sets findings aside, with why; or takes back that they were. */
  function setAside(keys: readonly string[], reason: string | undefined): string | undefined {
    const others = openSite.shown.settings.setAside.filter(({ key }) => !keys.includes(key))
    const value = reason === undefined ? others : [...others, ...keys.map((key) => ({ key, reason }))]
    const refused = openSite.make({ kind: 'setSite', field: 'setAside', value })
    if (refused === undefined && reason !== undefined) goOn(keys)
    return refused
  }

  /** The change that fixes findings; undefined where none of them has a fix. */
  async function fixing(fixed: readonly ShownFinding[]): Promise<Batch | undefined> {
    const mine = ++fixings
    const keys = fixed.map(({ key }) => key)
    const found = await siteWork.fixes(
      keys,
      proxy(({ done, total }: FixStep) => {
        if (mine === fixings) fixProgress.value = [done, total]
      }),
    )
    if (mine !== fixings) return undefined
    fixProgress.value = undefined
    if (!found || found.changes.length === 0) return undefined
    const { changes, count } = found
    const words = count === 1 ? `Fixed: ${itemAt(fixed, 0).words}` : `${count} findings fixed`
    return { kind: 'batch', words: shortened(words, 500), changes }
  }

  function stopFixing(): void {
    fixings++
    fixProgress.value = undefined
    void siteWork.stopFixing()
  }

  /** What is asked before findings are fixed: what was found, and on which page. */
  function questionOf(fixed: readonly ShownFinding[], foreseen: Foreseen): Omit<Question, 'answer'> {
    const title = fixed.length === 1 ? 'Fix this finding?' : `Fix ${fixed.length} findings?`
    const what = fixed.map((one) => {
      const entry = openSite.shown.plan.entries.get(entryOf(one) ?? '')
      return entry ? `${labelOf(entry)}: ${one.words}` : one.words
    })
    return { title, yes: 'Fix', isMove: false, foreseen, what }
  }

  /** Fixes findings as one change, once the author has seen what that does. */
  async function fix(fixed: readonly ShownFinding[]): Promise<void> {
    const change = await fixing(fixed)
    if (!change) return
    const foreseen = await siteWork.foresee(change)
    if (typeof foreseen === 'string') openSite.notice = foreseen
    else if ((await ripple.ask(questionOf(fixed, foreseen))) && openSite.makeOrTell(change))
      goOn(fixed.map(({ key }) => key))
  }

  return {
    all,
    /** Whether only a part of what the first check would find is known. */
    isPartial: computed(() => all.value === undefined && sofar.value !== undefined),
    findings,
    aside,
    reasons,
    counts,
    byEntry,
    progress,
    chosenKey,
    order,
    wentOn,
    goOn,
    check,
    stop,
    fixProgress,
    stopFixing,
    setAside,
    fix,
  }
})

/** In what order findings are shown within a group. */
export const bySeverity = (a: ShownFinding, b: ShownFinding) =>
  SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity)
