import type { SingleChange } from './change.ts'

/** A change that makes no sense on the site it meets. The message says why, in words for the author. */
export class ChangeRefused extends Error {
  override name = 'ChangeRefused'
}

/** A change that would write over what somebody else wrote since its author looked. */
export class WrittenSince extends ChangeRefused {
  override name = 'WrittenSince'

  /** @param now what stands where the change writes */
  constructor(
    message: string,
    readonly change: SingleChange,
    readonly now: unknown,
  ) {
    super(message)
  }
}
