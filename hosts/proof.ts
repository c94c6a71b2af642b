import { setMaxListeners } from 'node:events'
import { encodePath } from '@viatica/core/address/relative.ts'
import type { HostFile } from '@viatica/core/publish/publication.ts'
import type { Proof } from '@viatica/core/publish/report.ts'
import pLimit from 'p-limit'
import { digestOf } from './look.ts'
import type { Reach } from './network.ts'
import { visit } from './visit.ts'

const AT_ONCE = 6
/** What is wrong with more pages is wrong with all of them in the same way. */
const MOST_TOLD = 200
/** What a server makes of these is its own: their bytes are not those that were sent. */
const IS_MADE = /\.(?:php|shtml)$/i

async function faultOf(
  url: string,
  { path, digest, size, role }: HostFile,
  reach: Reach,
  signal: AbortSignal,
): Promise<string | undefined> {
  try {
    const { status, location, bytes } = await visit(url, reach, signal)
    if (status >= 300 && status < 400) {
      if (role !== 'redirect') return `redirects to ${location} instead of being shown`
      const end = await visit(new URL(location, url).href, reach, signal)
      return end.status === 200
        ? undefined
        : `redirects to ${location}, which answers with status ${end.status}`
    }
    if (status !== 200) return `the host answers with status ${status}`
    if (IS_MADE.test(path) || digestOf(bytes) === digest) return undefined
    const more = bytes.length - size
    return more > 0
      ? `comes with ${more} bytes more than were sent: does the host, or a proxy before it, add to pages?`
      : 'comes otherwise than it was sent: does a cache before the host still have the old one?'
  } catch (error) {
    return `could not be requested: ${(error as Error).message}`
  }
}

/**
 * Asks for every page and redirect of a publication as a visitor does, and compares what comes with what was sent.
 * @param at where visitors find the site, ending in `/`
 * @param tell hears how many of how many were asked for
 */
export async function prove(
  files: readonly HostFile[],
  at: string,
  reach: Reach,
  signal: AbortSignal,
  tell: (asked: number, of: number) => void,
): Promise<Proof> {
  const pages = files.filter(({ role }) => role !== 'file')
  const wrong: { path: string; words: string }[] = []
  let [asked, same] = [0, 0]
  // Every visit listens.
  setMaxListeners(0, signal)
  const limit = pLimit(AT_ONCE)
  await Promise.all(
    pages.map((file) =>
      limit(async () => {
        if (signal.aborted) return
        const words = await faultOf(at + encodePath(file.path), file, reach, signal)
        if (signal.aborted) return
        asked++
        if (words === undefined) same++
        else if (wrong.length < MOST_TOLD) wrong.push({ path: file.path, words })
        tell(asked, pages.length)
      }),
    ),
  )
  wrong.sort((a, b) => (a.path < b.path ? -1 : 1))
  return { asked, same, wrong }
}
