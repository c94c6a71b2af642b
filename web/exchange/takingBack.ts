import type { Change } from '@viatica/core/plan/change/change.ts'
import { changeSchema } from '@viatica/core/plan/change/change.ts'
import { ChangeRefused, WrittenSince } from '@viatica/core/plan/change/refused.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import * as v from 'valibot'
import type { ExchangeState, Tried, UndoQuestion } from './state.ts'
import { Step } from './step.ts'

/** What was done and can be undone, and what was undone and can be redone; the last of each comes first. */
type Steps = Pick<ExchangeState, 'done' | 'undone'>

/** What comes of undoing or redoing the last step. */
export type TakenBack =
  /** Others wrote over it since: its author is asked. */
  | { readonly kind: 'asks'; readonly question: Omit<UndoQuestion, 'answer'> }
  | { readonly kind: 'refused'; readonly steps: Steps; readonly notice: string }
  | {
      readonly kind: 'made'
      readonly steps: Steps
      readonly outcome: Tried
      /** Takes the taking back back. */
      readonly back: Step
      readonly words: string
      readonly step: Step
    }

/** What a change makes of a site; or why it is refused. */
export function outcomeOn(site: Site, change: Change): Tried | ChangeRefused {
  const checked = v.safeParse(changeSchema, change)
  if (!checked.success) return new ChangeRefused(checked.issues[0].message)
  try {
    return { change: checked.output, ...applySoundly(site, checked.output) }
  } catch (error) {
    if (error instanceof ChangeRefused) return error
    throw error
  }
}

/**
 * Works out how the last step is undone or redone on a site; makes nothing.
 * @param from `done` to undo, `undone` to redo
 * @param isAnyway whether also what others wrote since goes
 * @param edit the id of the edit that it would be
 * @returns undefined where there is no step
 */
export function takenBack(
  site: Site,
  { done, undone }: Steps,
  from: keyof Steps,
  { isAnyway, edit, at }: { readonly isAnyway: boolean; readonly edit: string; readonly at: number },
): TakenBack | undefined {
  const steps = { done, undone }
  const step = steps[from].at(-1)
  if (!step) return undefined
  const isRedo = from === 'undone'
  const words = `${isRedo ? 'Redone' : 'Undone'}: ${step.words}`
  const outcome = outcomeOn(site, step.takingBack(words, isAnyway))
  if (outcome instanceof WrittenSince) {
    const { message, change, now } = outcome
    const anyway = outcomeOn(site, step.takingBack(words, true))
    const then = anyway instanceof ChangeRefused ? undefined : anyway.site
    return { kind: 'asks', question: { isRedo, message, change, now, then } }
  }
  const rest = { ...steps, [from]: steps[from].slice(0, -1) }
  if (outcome instanceof ChangeRefused) {
    const notice = `This can no longer be ${isRedo ? 'redone' : 'undone'}: ${outcome.message}`
    return { kind: 'refused', steps: rest, notice }
  }
  const to = isRedo ? 'done' : 'undone'
  const back = new Step(step.words, outcome.change, at, undefined, edit, outcome)
  return { kind: 'made', steps: { ...rest, [to]: [...steps[to], back] }, outcome, back, words, step }
}
