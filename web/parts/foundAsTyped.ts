import type { Found } from '@viatica/core/search/search.ts'
import { onScopeDispose, type Ref, ref, shallowRef, watch } from 'vue'

/**
 * What a search finds for words as they are typed, one search at a time: what was typed meanwhile is looked for when the
 * answer has come.
 * @returns `found` of the last answer (undefined when there are no words), the place of the `active` one among what is
 *   offered, and `whenFound`
 */
export function foundAsTyped(
  words: Readonly<Ref<string>>,
  search: (words: string) => Promise<readonly Found[]>,
) {
  const found = shallowRef<readonly Found[]>()
  const active = ref(0)
  let answered = ''
  let isSearching = false
  let waiting: (() => void) | undefined

  async function look(): Promise<void> {
    waiting = undefined
    active.value = 0
    if (isSearching) return
    isSearching = true
    try {
      while (answered !== words.value) {
        const asked = words.value
        const hits = asked === '' ? undefined : await search(asked)
        if (asked !== words.value) continue
        answered = asked
        found.value = hits
        active.value = 0
      }
    } finally {
      isSearching = false
    }
    const act = waiting as (() => void) | undefined
    waiting = undefined
    act?.()
  }
  watch(words, look, { immediate: true, flush: 'sync' })
  onScopeDispose(() => (waiting = undefined))

  /**
   * Acts on what is offered, such as at Enter: at once if it is of the words as they stand or if one was picked from it by
   * hand; otherwise when the answer comes, for the keys may be faster. Words that change before that drop it.
   */
  function whenFound(act: () => void): void {
    if (answered === words.value || active.value > 0) act()
    else waiting = act
  }

  return { found, active, whenFound }
}
