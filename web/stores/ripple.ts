import { movesAddresses } from '@viatica/core/address/moves.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import type { Ripple } from '@viatica/core/ripple/ripple.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Foreseen } from '../workers/siteWorker.ts'
import { nextTask } from '../workers/nextTask.ts'
import { siteWork } from '../workers/siteWork.ts'

/** A change that waits for the author's yes, with what it would do. */
export interface Question {
  readonly title: string
  readonly yes: string
  /** Whether it is about a move: of these the author may not want to be asked again. */
  readonly isMove: boolean
  readonly foreseen: Foreseen
  /** What is done one by one, in words. */
  readonly what?: readonly string[]
  answer(isYes: boolean): void
}

/** What changes do to the pages of the open site: the last one, and one that is about to be made. */
export const useRipple = defineStore('ripple', () => {
  /** Of the last step; undefined while it is worked out, and before the first one. */
  const last = shallowRef<Ripple>()
  const question = shallowRef<Question>()
  /** Whether the author has said not to be asked about moves again. */
  const movesUnasked = ref(false)
  let asked = 0

  const words = computed(() => last.value && rippleWords(last.value))

  /** Follows a site that was read anew. */
  function reset(site: Site): void {
    asked++
    last.value = undefined
    void siteWork.reset(site)
  }

  /** Follows a change; of several in a row only the last is worked out. */
  async function follow(change: Change, goesOn: boolean): Promise<void> {
    const mine = ++asked
    last.value = undefined
    void siteWork.make(change, goesOn)
    await nextTask()
    if (mine !== asked) return
    const ripple = await siteWork.ripple()
    if (mine === asked) last.value = ripple
  }

  /** Asks the author, showing what a change would do. @returns whether it shall be made */
  async function ask(wanted: Omit<Question, 'answer'>): Promise<boolean> {
    return new Promise((resolve) => {
      question.value = {
        ...wanted,
        answer(isYes) {
          question.value = undefined
          resolve(isYes)
        },
      }
    })
  }

  /** Asks before a change that moves addresses; one that moves none needs no yes. */
  async function askIfItMoves(title: string, change: Change, before: Site, after: Site): Promise<boolean> {
    if (movesUnasked.value || !movesAddresses(before, after)) return true
    const foreseen = await siteWork.foresee(change)
    return typeof foreseen === 'string' || ask({ title, yes: 'Move', isMove: true, foreseen })
  }

  return { last, words, question, movesUnasked, reset, follow, ask, askIfItMoves }
})
