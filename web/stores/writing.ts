import { useTimeoutFn } from '@vueuse/core'
import { followHeadings, followInText, renamedHeadingIds } from '@viatica/core/content/followHeadings.ts'
import { blocksBeyond, mergeContent } from '@viatica/core/content/mergeContent.ts'
import { singlesOf } from '@viatica/core/plan/change/apply.ts'
import type { SetEntry, SingleChange } from '@viatica/core/plan/change/change.ts'
import { markOf } from '@viatica/core/plan/change/mark.ts'
import { MAX_CONTENT, type PageEntry } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { textOfBody } from '@viatica/core/statistics/wordCount.ts'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useChosen } from './chosen.ts'
import { useOpenSite } from './openSite.ts'

/** Typing that pauses for this long is saved. */
const PAUSE_MS = 400

const wordsOf = (html: string) => textOfBody({ html, changed: '' }).split(' ')

/** So many texts that are on their way may be refused together. */
const MOST_BASES = 50

/** The main content that is being written: of the chosen page, saved as one types. */
export const useWriting = defineStore('writing', () => {
  const openSite = useOpenSite()
  const chosen = useChosen()

  const page = computed<PageEntry | undefined>(() =>
    chosen.entry?.kind === 'page' ? chosen.entry : undefined,
  )
  /** The page that the text belongs to: what is saved late must not land on the next one. */
  const writingFor = ref<EntryId>('')
  const text = ref('')
  const isTooLong = computed(() => text.value.length > MAX_CONTENT)
  /** The text as far as it is read: one that is too long to be kept would hold up the editor for seconds. */
  const readable = computed(() => (isTooLong.value ? '' : text.value))
  /** What of the site the text was written over. */
  const over = ref('')
  const fault = ref('')
  /** What another window wrote meanwhile, while this one has a text of its own; undefined where there is none. */
  const theirs = ref<string>()
  /** Counts up whenever the text is another one: the editor must show it anew. */
  const turn = ref(0)
  /** Counts up whenever others wrote in the text: the editor shows that, and leaves the caret where it is. */
  const arrived = ref(0)
  /** What was written here before another window replaced a part of it; undefined where none did. */
  const replaced = ref<string>()
  /** The blocks that were written here. */
  const own = new Set<string>()
  /** What texts were written over from here, by the marks of these. */
  const bases = new Map<string, string>()
  /** Texts that were saved from here and refused since. */
  const lost = new Set<string>()
  const pause = useTimeoutFn(() => saveNow(), PAUSE_MS, { immediate: false })

  const bodyOf = (id: EntryId) => {
    const entry = openSite.site?.plan.entries.get(id)
    return entry?.kind === 'page' ? entry.body : undefined
  }

  function take(html: string): void {
    text.value = over.value = html
    theirs.value = undefined
    replaced.value = undefined
    fault.value = ''
    turn.value++
  }

  /**
   * Goes on with a text that changed otherwise than by typing. @param html what the site has of it
   * @param isByOthers whether others wrote in it; else an edit was taken back here
   */
  function follow(merged: string, html: string, isByOthers: boolean): void {
    const before = text.value
    text.value = merged
    over.value = html
    theirs.value = undefined
    fault.value = ''
    arrived.value++
    if (merged !== html) type(merged)
    if (!isByOthers) return
    // What somebody wrote is not replaced without a word; words that others added to it replace nothing.
    const there = new Set(wordsOf(merged))
    const isGone = (block: string) => own.has(block) && wordsOf(block).some((word) => !there.has(word))
    if (blocksBeyond(before, merged).some(isGone)) replaced.value = before
  }

  watch(
    () => page.value?.id,
    (id) => {
      saveNow(true)
      writingFor.value = id ?? ''
      own.clear()
      bases.clear()
      lost.clear()
      take(page.value?.body.html ?? '')
    },
    { immediate: true },
  )

  openSite.onLost((change) => {
    const isOurs = (one: SingleChange) =>
      one.kind === 'setEntry' && one.field === 'body' && one.entry === writingFor.value
    const ours = singlesOf(change).find(isOurs)
    if (!ours) return false
    const { over: mark, value } = ours as SetEntry & { field: 'body' }
    const base = bases.get(mark ?? '')
    lost.add(value.html)
    // What was written on a text that was refused is refused with it: the text is written over what is before both.
    if (base !== undefined && !lost.has(base)) over.value = base
    pause.start()
    return true
  })

  watch(
    () => [bodyOf(writingFor.value)?.html, openSite.fromOthers] as const,
    ([html, fromOthers], [, fromOthersBefore]) => {
      if (html === undefined || html === over.value) return
      if (html === text.value) {
        over.value = html
        fault.value = ''
        return
      }
      const merged = mergeContent(over.value, text.value, html)
      if (merged !== undefined) return follow(merged, html, fromOthers !== fromOthersBefore)
      // Both changed the same: its author decides.
      theirs.value = html
      // What is here alone is kept in the browser until then, and nobody is told that all is saved.
      const change = changeTo(text.value, html)
      openSite.keepTyped(fieldOf(writingFor.value), () => openSite.make(change), false)
    },
  )

  /** What tells the text of a page from other things that are typed. */
  const fieldOf = (entry: EntryId) => `${visit}:${entry}`
  const visit = crypto.randomUUID()

  function changeTo(html: string, base: string): SetEntry {
    const value = { html, changed: new Date().toISOString().slice(0, 10) }
    return { kind: 'setEntry', entry: writingFor.value, field: 'body', value, over: markOf(base) }
  }

  /** Takes what the editor says now; it is saved when the typing pauses. */
  function type(html: string): void {
    text.value = html
    fault.value = ''
    pause.start()
    if (html !== over.value && bodyOf(writingFor.value)) {
      const change = changeTo(html, theirs.value ?? over.value)
      openSite.keepTyped(fieldOf(writingFor.value), () => openSite.make(change), false)
    }
  }

  /** Puts another text in the place of this one, which the editor has not typed. */
  function replace(html: string): void {
    text.value = html
    turn.value++
    saveNow()
  }

  openSite.savesWith(() => saveNow())

  /** Saves what is here and not saved yet. @param isLast whether there will be no other time */
  function saveNow(isLast = false): void {
    pause.stop()
    const body = bodyOf(writingFor.value)
    if (!body || text.value === over.value || theirs.value !== undefined) return
    // An edit was refused, or others wrote, and the site is about to show it: then the texts are merged first.
    if (body.html !== over.value && !isLast) pause.start()
    else write(over.value)
  }

  /** Saves the text. @param base what it is written over */
  function write(base: string): void {
    const entry = writingFor.value
    const renamed = renamedHeadingIds(base, readable.value)
    const html = followInText(text.value, entry, renamed)
    if (html !== text.value) {
      // Its own links follow, too: the editor must show them.
      text.value = html
      turn.value++
    }
    const change = changeTo(html, base)
    const following = followHeadings(openSite.shown, entry, renamed)
    if (bases.size >= MOST_BASES) bases.delete(bases.keys().next().value!)
    bases.set(markOf(base), base)
    lost.delete(html)
    for (const block of blocksBeyond(base, html)) own.delete(block)
    for (const block of blocksBeyond(html, base)) own.add(block)
    over.value = html
    const refused = openSite.whileTyping(fieldOf(entry), () =>
      openSite.make(
        following.length === 0
          ? change
          : {
              kind: 'batch',
              words: 'A heading renamed, and the links to it',
              changes: [change, ...following],
            },
      ),
    )
    if (refused === undefined) return openSite.forgetTyped(fieldOf(entry))
    over.value = base
    fault.value = refused
  }

  /** Where both windows wrote: goes on with the text of this one, over the other's, or with the other's. */
  function settle(keeps: 'mine' | 'theirs'): void {
    const other = theirs.value
    if (other === undefined) return
    if (keeps === 'theirs') return take(other)
    theirs.value = undefined
    write(other)
  }

  /** Where another window replaced what was written here: goes back to that, or leaves it. */
  function answerReplaced(restores: boolean): void {
    const mine = replaced.value
    replaced.value = undefined
    if (mine !== undefined && restores) replace(mine)
  }

  return {
    ...{ page, text, isTooLong, readable, turn, arrived, fault, theirs, replaced },
    ...{ type, saveNow, settle, replace, answerReplaced },
  }
})
