import type { HostFault } from '../hostFault.ts'

/** What replacing takes of a host. */
interface Replacing {
  /** Whether a file is there. */
  isThere(path: string): Promise<boolean>
  /** Renames; what stands at `to` may be in the way. */
  rename(from: string, to: string): Promise<void>
  remove(path: string): Promise<void>
}

/**
 * Puts a file in the place of another on a host that may not let it: the old one gets out of the way then, for two requests.
 * @throws HostFault
 */
export async function replaceFile(host: Replacing, from: string, to: string): Promise<void> {
  try {
    return await host.rename(from, to)
  } catch (error) {
    if ((error as HostFault).kind === 'lost' || !(await host.isThere(to))) throw error
  }
  const aside = `${from}-old`
  await host.rename(to, aside)
  try {
    await host.rename(from, to)
  } catch (error) {
    await host.rename(aside, to)
    throw error
  }
  await host.remove(aside)
}
