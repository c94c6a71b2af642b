import { watchDebounced } from '@vueuse/core'
import { shortened } from '@viatica/core/standard/text.ts'
import type { Severity } from '@viatica/core/check/rule.ts'
import { SEVERITIES } from '@viatica/core/check/rule.ts'
import type { Batch } from '@viatica/core/plan/change/change.ts'
import { type EntryId, labelOf } from '@viatica/core/plan/entry.ts'
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
  /** How many rules are done, of how many, while a check goes on. */
  const progress = ref<readonly [number, number]>()
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
  const findings = computed(() => (all.value ?? []).filter(({ key }) => !reasons.value.has(key)))
  /** Findings that were set aside, and whose place is as it was. */
  const aside = computed(() => (all.value ?? []).filter(({ key }) => reasons.value.has(key)))

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
    // How far it is comes on a way of its own, and may come after the answer.
    let isOver = false
    const answer = await siteWork.check(
      spelling.unknown,
      proxy((done: number, total: number) => {
        if (!isOver) progress.value = [done, total]
      }),
    )
    isOver = true
    // Another check has taken its place, or another site.
    if (answer === undefined || checked !== openSite.id) return
    progress.value = undefined
    all.value = answer
    // New words are looked up once the rest is told; those that are unknown are found by the next check.
    if (spelling.dictionaries.length > 0) void spelling.lookUp(await siteWork.words())
  }

  function stop(): void {
    progress.value = undefined
    void siteWork.stopChecking()
  }

  watch(
    () => openSite.id,
    () => (all.value = undefined),
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
    const others = openSite.site!.settings.setAside.filter(({ key }) => !keys.includes(key))
    const value = reason === undefined ? others : [...others, ...keys.map((key) => ({ key, reason }))]
    const refused = openSite.make({ kind: 'setSite', field: 'setAside', value })
    if (refused === undefined && reason !== undefined) goOn(keys)
    return refused
  }

  /** The change that fixes findings; undefined where none of them has a fix. */
  async function fixing(fixed: readonly ShownFinding[]): Promise<Batch | undefined> {
    const { changes, count } = await siteWork.fixes(fixed.map(({ key }) => key))
    if (changes.length === 0) return undefined
    const words = count === 1 ? `Fixed: ${fixed[0]!.words}` : `${count} findings fixed`
    return { kind: 'batch', words: shortened(words, 500), changes }
  }

  /** What is asked before findings are fixed: what was found, and on which page. */
  function questionOf(fixed: readonly ShownFinding[], foreseen: Foreseen): Omit<Question, 'answer'> {
    const title = fixed.length === 1 ? 'Fix this finding?' : `Fix ${fixed.length} findings?`
    const what = fixed.map((one) => {
      const entry = openSite.site!.plan.entries.get(entryOf(one) ?? '')
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
    setAside,
    fix,
  }
})

/** In what order findings are shown within a group. */
export const bySeverity = (a: ShownFinding, b: ShownFinding) =>
  SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity)
