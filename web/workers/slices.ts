import { nextTask } from './nextTask.ts'

/** How long work may go on before what was asked meanwhile gets its turn. */
const SLICE_MS = 20

/** What a page of the screen is told no more often than this. */
const TELL_MS = 250

/**
 * Does work in steps, so that whatever else is asked of the worker gets its turn between them.
 * @param isWanted whether to go on; asked whenever others had their turn
 * @param tell called with the last step now and then, and waited for: what it tells comes before the result
 * @returns the result; undefined where it was not wanted any more
 */
export async function inSlices<Step, Result>(
  work: Generator<Step, Result>,
  isWanted: () => boolean,
  tell: (step: Step) => unknown = () => undefined,
): Promise<{ readonly result: Result } | undefined> {
  let told = performance.now()
  for (;;) {
    await nextTask()
    if (!isWanted()) return undefined
    const start = performance.now()
    let step: IteratorResult<Step, Result>
    do {
      step = work.next()
      if (step.done) return { result: step.value }
    } while (performance.now() - start < SLICE_MS)
    if (performance.now() - told < TELL_MS) continue
    await tell(step.value)
    told = performance.now()
    if (!isWanted()) return undefined
  }
}
