import { setTimeout as wait } from 'node:timers/promises'

/** Waits until something holds. */
export async function until(holds: () => boolean): Promise<void> {
  for (let n = 0; !holds(); n++) {
    if (n > 3000) throw new Error('it never came to hold')
    await wait(10)
  }
}
