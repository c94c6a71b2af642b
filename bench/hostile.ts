import { bring } from '@viatica/core/existing/bring.ts'
import { readSiteArchive, writeSiteArchive } from '@viatica/core/formats/siteArchive.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { openSftp } from '@viatica/hosts/connection/sftp.ts'
import { HostFault } from '@viatica/hosts/hostFault.ts'
import { cuttingServer, lyingSftp } from '@viatica/hosts/testing/lyingHost.ts'

/** Draws numbers, the same ones each time: mulberry32, in the public domain. */
function drawing(seed: number): (below: number) => number {
  let state = seed
  return (below) => {
    state = (state + 0x6d2b79f5) | 0
    let bits = Math.imul(state ^ (state >>> 15), 1 | state)
    bits = (bits + Math.imul(bits ^ (bits >>> 7), 61 | bits)) ^ bits
    return ((bits ^ (bits >>> 14)) >>> 0) % below
  }
}

/** What came of many tries. */
export interface Tries {
  readonly tries: number
  /** Of the slowest, in milliseconds. */
  readonly worst: number
  /** Whatever is neither read nor refused with a reason. */
  readonly faults: readonly string[]
}

/** @param atOnce how many tries wait for others together; more than one only where they wait for a network */
async function tried(
  tries: number,
  one: (n: number) => unknown,
  isRefusal: (error: Error) => boolean,
  atOnce = 1,
): Promise<Tries> {
  let worst = 0
  const faults: string[] = []
  const attempt = async (n: number) => {
    const start = performance.now()
    try {
      await one(n)
    } catch (error) {
      if (!isRefusal(error as Error)) faults.push(`${n}: ${(error as Error).stack}`)
    }
    worst = Math.max(worst, performance.now() - start)
  }
  for (let n = 0; n < tries; n += atOnce)
    await Promise.all(Array.from({ length: Math.min(atOnce, tries - n) }, (_, k) => attempt(n + k)))
  return { tries, worst, faults }
}

/** An SFTP host that breaks off after each number of bytes, while a folder is listed. */
export async function hostsThatBreakOff(bytes: number): Promise<Tries> {
  const host = await lyingSftp({ names: ['a.html'] })
  const list = async (at: number) => {
    const cut = await cuttingServer(host.port, at)
    try {
      const connection = await openSftp({
        ...{ name: 'host.example.org', address: '127.0.0.1', port: cut.port, user: 'x', password: 'x' },
        ...{ folder: '', hostKey: host.hostKey },
      })
      try {
        await connection.list('')
      } finally {
        await connection.close()
      }
    } finally {
      await cut.stop()
    }
  }
  const all = await tried(bytes, list, (error) => error instanceof HostFault, 32)
  await host.stop()
  return all
}

/** Archives of a site with up to 40 bytes changed, cut off, or doubled. */
export function damagedArchives(tries: number): Promise<Tries> {
  const page = (id: string) => ({ ...newPage(id, id, { state: 'ready' }), entries: [] })
  const file = { id: 'a', path: 'docs/a.pdf', content: 'k', size: 4000, alt: '' }
  const plan = planOfBranch({ ...page('home'), entries: [page('one'), page('two')] })
  const site = { ...siteWith({ name: 'Damaged' }, plan), files: new Map([['a', file]]) }
  const whole = writeSiteArchive(site, new Map([['k', new Uint8Array(4000).fill(7)]]))
  const below = drawing(1)
  const read = () => {
    let damaged = whole.slice(0, below(4) === 0 ? below(whole.length) : whole.length)
    for (let n = below(40); n > 0 && damaged.length > 0; n--) damaged[below(damaged.length)] = below(256)
    if (below(8) === 0) damaged = Buffer.concat([damaged, whole])
    const fault = siteFault(readSiteArchive(damaged).site)
    if (fault !== undefined) throw new Error(`was read with a fault: ${fault}`)
  }
  return tried(tries, read, ({ name }) => name === 'InputFault')
}

const NAMES = [
  ...[
    'index.html',
    'a.html',
    'A.html',
    'a',
    '..',
    '.',
    '',
    ' ',
    'a b.htm',
    'ü.html',
    'u\u0308.html',
    'con.html',
    'a\\b.html',
  ],
  ...[
    'a\u0000.html',
    'a\n.html',
    `${'x'.repeat(300)}.html`,
    'style.css',
    'a.html.html',
    '%2e%2e',
    'a?b.html',
    'a#b.html',
    '..html',
  ],
]
const TEXTS = [
  ...[
    '',
    '<',
    '<h1>',
    '<!doctype html><title>A</title><h1>A</h1>',
    '\u0000',
    '<nav><a href="a.html">A</a><a href=../..>B</a></nav>',
  ],
  ...[
    '<base href="//x/"><a href="a">',
    '<meta http-equiv=refresh content="0;url=a.html">',
    '<frameset><frame src=a.html></frameset>',
  ],
]

/** Folders of up to 12 files with names that are no names, and pages that are no pages. */
export function hostileFolders(tries: number): Promise<Tries> {
  const below = drawing(2)
  const of = <Item>(items: readonly Item[]) => items[below(items.length)]!
  const path = () => Array.from({ length: 1 + below(4) }, () => of(NAMES)).join('/')
  const read = () => {
    const files = Array.from({ length: 1 + below(12) }, () => ({
      path: `${of(['', '', '/', '//', 'C:/', '../'])}${path()}`,
      bytes: Buffer.from(Array.from({ length: below(5) }, () => of(TEXTS)).join('')),
    }))
    const { site } = bring(files)
    const fault = siteFault(site)
    if (fault !== undefined) throw new Error(`${JSON.stringify(files)} came in with a fault: ${fault}`)
  }
  return tried(tries, read, ({ name }) => name === 'NothingToBring' || name === 'InputFault')
}
