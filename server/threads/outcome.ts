import { Problem, problemOf } from '../http/problem.ts'

/** What came of a task: errors lose their class on their way out of a thread, so what they say of HTTP is told. */
export type Outcome<Result> =
  | { readonly result: Result }
  /** The code is that of PostgreSQL or the system. */
  | { readonly problem: ConstructorParameters<typeof Problem>; readonly code: unknown }

/** Does a task, and tells what came of it. An error that nobody expects is thrown. */
export async function outcomeOf<Result>(work: () => Promise<Result>): Promise<Outcome<Result>> {
  try {
    return { result: await work() }
  } catch (error) {
    const { status, title, message, extra } = problemOf(error as Error)
    if (status === 500) throw error
    return { problem: [status, title, message, extra], code: (error as { code?: unknown }).code }
  }
}

/** The result of a task. @throws Problem */
export function resultOf<Result>(outcome: Outcome<Result>): Result {
  if ('problem' in outcome)
    throw Object.assign(
      new Problem(...outcome.problem),
      outcome.code === undefined ? {} : { code: outcome.code },
    )
  return outcome.result
}
