import type { HostFault } from './hostFault.ts'

/** What work with a host may take at most. Times are for the whole of it, in milliseconds, however lively the host is meanwhile. */
export interface HostLimits {
  /** Connecting and logging in. */
  readonly connect: number
  /** One question that has a short answer. */
  readonly answer: number
  /** Listing one folder, links in it followed. */
  readonly list: number
  /** Sending or reading a file, besides the time for its bytes at `SLOWEST_BYTES` a second. */
  readonly transfer: number
  /** One page, requested as a visitor would. */
  readonly visit: number
  /** The bytes of a file that somebody else put on the host. */
  readonly readBytes: number
  /** The files and folders in one folder. */
  readonly entries: number
}

export const USUAL_LIMITS: HostLimits = {
  connect: 15_000,
  answer: 60_000,
  list: 60_000,
  transfer: 60_000,
  visit: 20_000,
  readBytes: 200_000_000,
  entries: 100_000,
}

/** A connection that carries fewer bytes a second than this carries no site. */
const SLOWEST_BYTES = 8000

/** How long a file of so many bytes may take, in milliseconds. */
export const transferTime = ({ transfer }: HostLimits, bytes: number): number =>
  transfer + (bytes / SLOWEST_BYTES) * 1000

/**
 * Waits for work that must end in time.
 * @param end is called when the time is over: it ends the work, and returns the fault that is thrown
 */
export async function within<Result>(
  milliseconds: number,
  work: Promise<Result>,
  end: () => HostFault,
): Promise<Result> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(end()), milliseconds)
  })
  // The work fails once more when it is ended.
  work.catch(() => undefined)
  try {
    return await Promise.race([work, late])
  } finally {
    clearTimeout(timer)
  }
}
