/** What a command ends with. */
export interface Outcome {
  /** What is printed. */
  readonly said: string
  /** 0, or 1 where something is wrong with the site or its host. Bad input is a Fault, and 2. */
  readonly status: 0 | 1
}

export const done = (said: string): Outcome => ({ said, status: 0 })
