import { filesToPublish, type HostFile } from '@viatica/core/publish/publication.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { readOpml } from '@viatica/core/formats/opml.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import type { Change } from '@viatica/core/plan/change/change.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { anyChange, arbitraryDraws } from '@viatica/core/testing/arbitraryChange.ts'
import { arbitrarySite } from '@viatica/core/testing/arbitrarySite.ts'
import { attribute, readPage } from '@viatica/core/testing/readPage.ts'
import { YEAR } from '@viatica/core/testing/year.ts'
import fc from 'fast-check'
import { HostFault } from './hostFault.ts'
import { digestOf } from './look.ts'
import { AsksFirst, send, type Sending, type Sent } from './send.ts'
import { type Cut, MemoryHost } from './testing/memoryHost.ts'
import { MemoryRecord } from './testing/memoryRecord.ts'

interface Publication {
  readonly files: readonly HostFile[]
  readonly bytes: ReadonlyMap<string, Uint8Array>
}

function publicationOf(site: Site): Publication {
  const bytes = new Map<string, Uint8Array>()
  const files = [...filesToPublish(site, YEAR, { ...USUAL_CHOICES, sitemap: false })].map(
    (file): HostFile => {
      const own =
        'text' in file ? bytesOfText(file) : Buffer.from('content' in file ? file.content : file.font)
      const digest = digestOf(own)
      bytes.set(digest, own)
      return { path: file.path, digest, size: own.length, role: file.role, page: file.page }
    },
  )
  return { files, bytes }
}

const sending = (
  host: MemoryHost,
  record: MemoryRecord,
  { files, bytes }: Publication,
  more: Partial<Sending> & { readonly cut?: Cut } = {},
): Sending => ({
  connection: host.connect(more.cut),
  record,
  wanted: files,
  bytesOf: ({ digest }) => Promise.resolve(bytes.get(digest)!),
  letGo: new Map(),
  token: 'me',
  patienceMs: 0,
  signal: new AbortController().signal,
  tell: () => undefined,
  ...more,
})
const publish = (...args: Parameters<typeof sending>): Promise<Sent> => send(sending(...args))

/** What a publication writes beside files until they are whole. */
const temporary = (host: MemoryHost) => [...host.files.keys()].filter((path) => /(?:^|\/)\.new-/.test(path))

/** The files that visitors may come upon, each with the digest of its bytes. */
const shown = (host: MemoryHost) =>
  new Map(
    [...host.files].flatMap(([path, { bytes }]) =>
      /(^|\/)\.(new-|publishing)/.test(path) ? [] : [[path, digestOf(bytes)] as const],
    ),
  )
const wantedOf = ({ files }: Publication) => new Map(files.map(({ path, digest }) => [path, digest]))

const linksByDigest = new Map<string, readonly string[]>()
/** What a page of the site leads to on it, as paths without their ends. */
function linksOf(bytes: Uint8Array, path: string): readonly string[] {
  const digest = `${digestOf(bytes)} ${path}`
  const known = linksByDigest.get(digest)
  if (known) return known
  const { elements } = readPage(new TextDecoder().decode(bytes))
  const top = 'https://host.invalid/'
  const links = elements.flatMap((element) => {
    if (element.tagName === 'link' && /canonical/.test(attribute(element, 'rel') ?? '')) return []
    const href = attribute(element, 'href') ?? attribute(element, 'src')
    const url =
      href === undefined ? undefined : new URL(href, top + path.split('/').map(encodeURIComponent).join('/'))
    return url?.href.startsWith(top) ? [decodeURIComponent(url.pathname.slice(1))] : []
  })
  linksByDigest.set(digest, links)
  return links
}

/** The links that a visitor who starts at the home page comes upon and that lead nowhere. */
function brokenLinks(host: MemoryHost, homes: readonly string[]): string[] {
  const broken: string[] = []
  const met = new Set(homes.filter((home) => host.files.has(home)))
  for (const path of met) {
    if (!/\.(html?|php|shtml)$/.test(path)) continue
    for (const to of linksOf(host.files.get(path)!.bytes, path)) {
      const index = ['', 'index.html', 'index.htm', 'index.php', 'index.shtml'].map((name) => to + name)
      const there = index.find((one) => host.files.has(one))
      if (there === undefined) broken.push(`${path} → ${to}`)
      else met.add(there)
    }
  }
  return broken
}

const homesOf = (...publications: Publication[]) =>
  publications.flatMap(({ files }) => files.flatMap(({ path }) => (/^index\.\w+$/.test(path) ? [path] : [])))

/** Everything that a visitor may come upon must be whole, at every moment. */
function watch(
  host: MemoryHost,
  before: Publication,
  after: Publication,
  looked = new Set<string>(),
): string[] {
  const faults: string[] = []
  const [was, will] = [wantedOf(before), wantedOf(after)]
  const homes = homesOf(before, after)
  host.changed = () => {
    const state = [...shown(host)].map((one) => one.join(' ')).join()
    if (looked.has(state)) return
    looked.add(state)
    for (const [path, digest] of shown(host))
      if (was.get(path) !== digest && will.get(path) !== digest) faults.push(`${path} is not whole`)
    faults.push(...brokenLinks(host, homes))
  }
  return faults
}

/** A site whose pages lead only to what there is, so that what is broken was broken on the way. */
const bare = (site: Site): Site => ({
  ...site,
  settings: { ...site.settings, baseUrl: '', linkStyle: 'relative', notFound: null },
})
/** Whether a page or file needs a folder where a file stood, or the reverse: something must go before its time then. */
const isInTheWay = (before: Publication, after: Publication) =>
  after.files.some(
    ({ path, role }) =>
      role !== 'redirect' &&
      before.files.some((one) => one.path.startsWith(`${path}/`) || path.startsWith(`${one.path}/`)),
  )
const isWhole = (publication: Publication) => {
  const host = new MemoryHost()
  for (const { path, digest } of publication.files)
    host.files.set(path, { bytes: publication.bytes.get(digest)!, modified: 0 })
  return brokenLinks(host, homesOf(publication)).length === 0
}

/** A random site, before and after random edits of any kind. */
const arbitraryPair = fc
  .tuple(arbitrarySite(8), fc.array(arbitraryDraws, { maxLength: 4 }))
  .map(([given, draws]) => {
    let site = bare(given)
    const before = publicationOf(site)
    for (const [n, one] of draws.entries()) {
      try {
        site = bare(applySoundly(site, anyChange(site, one, n)).site)
      } catch {
        // An edit that makes no sense there is none.
      }
    }
    return [before, publicationOf(site)] as const
  })
  .filter(([before, after]) => isWhole(before) && isWhole(after) && !isInTheWay(before, after))

async function cutEverywhere(before: Publication, after: Publication, isDone: boolean): Promise<void> {
  const looked = new Set<string>()
  for (let at = 0; ; at++) {
    const host = new MemoryHost()
    const record = new MemoryRecord()
    await publish(host, record, before)
    const faults = watch(host, before, after, looked)
    const broke = await publish(host, record, after, { cut: { after: at, isDone } }).then(
      () => false,
      (error: unknown) => {
        expect((error as HostFault).kind).toBe('lost')
        return true
      },
    )
    await publish(host, record, after)
    expect(faults).toEqual([])
    expect(shown(host)).toEqual(wantedOf(after))
    // Nothing is left behind: no half file, no lock, no empty folder.
    expect([...host.files.keys()].sort()).toEqual(after.files.map(({ path }) => path).sort())
    const needed = new Set([''])
    for (const { path } of after.files)
      for (let end = path.lastIndexOf('/'); end > 0; end = path.lastIndexOf('/', end - 1))
        needed.add(path.slice(0, end))
    expect([...host.folders].filter((folder) => !needed.has(folder))).toEqual([])
    if (!broke) return
  }
}

const SITE = bare(
  readOpml(
    `<opml version="2.0"><head><title>T</title></head><body><outline text="Home"><outline text="Walks"><outline text="Stage 1"/><outline text="Stage 2"/></outline><outline text="About"/></outline></body></opml>`,
  ),
)
const idOf = (title: string) =>
  [...SITE.plan.entries.values()].find((entry) => entry.kind === 'page' && entry.title === title)!.id
const after = (...changes: Change[]) =>
  publicationOf(changes.reduce((site, change) => applySoundly(site, change).site, SITE))
const FIRST = publicationOf(SITE)
const RENAMED = after({ kind: 'setEntry', entry: idOf('About'), field: 'title', value: 'About us' })

test.each([
  ['a page renamed, which every menu shows', RENAMED],
  ['every address changed', after({ kind: 'setSite', field: 'layout', value: 'folders' })],
  ['a section removed', after({ kind: 'remove', entries: [idOf('Walks')] })],
  [
    'another extension: the home page moves, too',
    after({ kind: 'setSite', field: 'extension', value: '.htm' }),
  ],
])(
  '%s: cut off after any operation, visitors get whole pages that work, and going on ends as without',
  async (_, to) => {
    await cutEverywhere(FIRST, to, false)
    await cutEverywhere(FIRST, to, true)
  },
)

test('an address without an ending that leads on stands where a folder of folders was', async () => {
  const folders = applySoundly(SITE, { kind: 'setSite', field: 'layout', value: 'folders' }).site
  const redirect = { from: 'walks', to: { to: 'entry' as const, entry: idOf('About'), fragment: '' } }
  const without = applySoundly(folders, { kind: 'remove', entries: [idOf('Walks')] }).site
  const led = applySoundly(without, { kind: 'setSite', field: 'redirects', value: [redirect] }).site
  expect(publicationOf(folders).files.map(({ path }) => path)).toContain('walks/stage-1/index.html')
  expect(publicationOf(led).files.map(({ path }) => path)).toContain('walks')
  await cutEverywhere(publicationOf(folders), publicationOf(led), false)
  await cutEverywhere(publicationOf(led), FIRST, true)
})

test('the same of any site and any edits', async () => {
  await fc.assert(
    fc.asyncProperty(arbitraryPair, fc.boolean(), async ([before, to], isDone) =>
      cutEverywhere(before, to, isDone),
    ),
    { numRuns: 60 },
  )
})

test('of any site, back and forth ends in the same bytes, and what is the same is not sent again', async () => {
  await fc.assert(
    fc.asyncProperty(arbitraryPair, async ([before, to]) => {
      const host = new MemoryHost()
      const record = new MemoryRecord()
      for (const one of [before, to, before]) {
        await publish(host, record, one)
        expect(shown(host)).toEqual(wantedOf(one))
        const { put, removed } = await publish(host, record, one)
        expect([put, removed]).toEqual([0, 0])
      }
    }),
    { numRuns: 40 },
  )
})

describe('a file that somebody changed on the host', () => {
  const changed = async () => {
    const host = new MemoryHost()
    const record = new MemoryRecord()
    await publish(host, record, FIRST)
    return { host, record }
  }

  test.each([
    ['that is replaced', 'about.html', RENAMED],
    ['that is deleted', 'walks.html', after({ kind: 'remove', entries: [idOf('Walks')] })],
    ['that the site leaves as it is', 'style.css', RENAMED],
    ['that was never published', 'about-us.html', RENAMED],
  ])('%s is found before anything is done, and kept when it goes', async (_, path, to) => {
    const { host, record } = await changed()
    host.putByHand(path, 'by hand')
    const before = shown(host)
    const asks = await publish(host, record, to).catch((error: unknown) => error as AsksFirst)
    expect(asks).toBeInstanceOf(AsksFirst)
    const { found } = asks as AsksFirst
    expect(found.map((one) => one.path)).toEqual([path])
    expect(shown(host)).toEqual(before)
    expect(new TextDecoder().decode(record.aside.get(path))).toBe('by hand')
    // Another change since is another question.
    const old = new Map([[path, digestOf(new TextEncoder().encode('older'))]])
    await expect(publish(host, record, to, { letGo: old })).rejects.toBeInstanceOf(AsksFirst)
    const letGo = new Map(found.map((one) => [one.path, one.digest]))
    const { keptAside } = await publish(host, record, to, { letGo })
    expect(keptAside.map((one) => one.path)).toEqual([path])
    expect(shown(host)).toEqual(wantedOf(to))
  })

  test('while it is being published to is not replaced', async () => {
    const { host, record } = await changed()
    const connection = host.connect()
    let renames = 0
    const late = {
      ...connection,
      rename: (from: string, to: string) => {
        if (renames++ === 0) host.putByHand('walks.html', 'in between')
        return connection.rename(from, to)
      },
    }
    const fault = await publish(host, record, RENAMED, { connection: { ...late, atOnce: 1 } }).catch(
      (error: unknown) => error as HostFault,
    )
    expect((fault as HostFault).kind).toBe('asks')
    expect(new TextDecoder().decode(host.files.get('walks.html')!.bytes)).toBe('in between')
  })

  test('of bytes that are wanted anyway is taken over, and one that is gone is put again', async () => {
    const { host, record } = await changed()
    const about = FIRST.files.find(({ path }) => path === 'about.html')!
    host.files.set('about.html', { bytes: FIRST.bytes.get(about.digest)!, modified: 99_999 })
    host.files.delete('walks.html')
    const { put, removed, keptAside } = await publish(host, record, FIRST)
    expect([put, removed, keptAside]).toEqual([1, 0, []])
    expect(shown(host)).toEqual(wantedOf(FIRST))
  })

  test('and that no publication touches is left alone', async () => {
    const { host, record } = await changed()
    host.putByHand('notes.txt', 'mine')
    host.folders.add('mine')
    host.putByHand('mine/pictures.html', 'mine')
    await publish(host, record, RENAMED)
    expect(host.files.has('notes.txt') && host.files.has('mine/pictures.html')).toBe(true)
  })
})

describe('a host in trouble', () => {
  test.each([
    ['says yes and stores nothing', { losesUploads: true }, 'not stored', /took .* and does not have it/],
    ['runs full', { room: 8000 }, 'not stored', /no room/],
    ['forbids renaming', { forbidsRenaming: true }, 'renaming', /does not let it be put in its place/],
  ])(
    'that %s: the fault names the file, and visitors have what they had',
    async (_, options, kind, words) => {
      const host = new MemoryHost(options)
      const record = new MemoryRecord()
      const fault = (await publish(host, record, FIRST).catch((error: unknown) => error)) as HostFault
      expect(fault).toBeInstanceOf(HostFault)
      expect(fault.kind).toBe(kind)
      expect(fault.message).toMatch(words)
      for (const [path, digest] of shown(host)) expect(wantedOf(FIRST).get(path)).toBe(digest)
      expect(temporary(host)).toEqual([])
    },
  )

  test('that is full and lost at any moment: what was left is removed by the next publication, even one that fails', async () => {
    const record = new MemoryRecord()
    const host = new MemoryHost({ room: 8000 })
    let left = 0
    for (let after = 0; after < 60; after++)
      for (const isDone of [false, true]) {
        await publish(host, record, FIRST, { cut: { after, isDone } }).catch(() => undefined)
        left += temporary(host).length
        const fault = (await publish(host, record, FIRST).catch((error: unknown) => error)) as HostFault
        expect(fault.kind).toBe('not stored')
        expect(temporary(host)).toEqual([])
      }
    expect(left).toBeGreaterThan(0)
  })

  test('with a file where a folder must be says which', async () => {
    const host = new MemoryHost()
    host.putByHand('walks', 'mine')
    const to = after({ kind: 'setSite', field: 'layout', value: 'folders' })
    await expect(publish(host, new MemoryRecord(), to)).rejects.toThrow(/file stands at walks on the host/)
    expect(host.files.has('walks')).toBe(true)
  })

  test('that tells no capitals from small letters: a name that changes in these alone stays one file', async () => {
    const host = new MemoryHost({ foldsCase: true })
    const record = new MemoryRecord()
    const named = (fileName: string) =>
      after({ kind: 'setEntry', entry: idOf('About'), field: 'fileName', value: fileName })
    await publish(host, record, named('About'))
    const to = named('about')
    await publish(host, record, to)
    expect(shown(host)).toEqual(wantedOf(to))
    const { put, removed } = await publish(host, record, to)
    expect([put, removed]).toEqual([0, 0])
  })

  test('two at once: the second is told to wait, and does nothing', async () => {
    const host = new MemoryHost()
    let second: Promise<unknown> | undefined
    host.changed = () => {
      if (host.files.has('.publishing/since'))
        second ??= publish(host, new MemoryRecord(), RENAMED, { token: 'other' }).catch(
          (error: unknown) => error,
        )
    }
    await publish(host, new MemoryRecord(), FIRST)
    expect(((await second) as HostFault).kind).toBe('busy')
    expect(shown(host)).toEqual(wantedOf(FIRST))
    // When it is done, the other can.
    await publish(host, new MemoryRecord(), FIRST, { token: 'other' })
  })

  test('stopped at will: it ends between two files, and goes on the next time', async () => {
    const host = new MemoryHost()
    const record = new MemoryRecord()
    await publish(host, record, FIRST)
    const stop = new AbortController()
    const faults = watch(host, FIRST, RENAMED)
    const stopped = publish(host, record, RENAMED, {
      signal: stop.signal,
      tell: ({ files }) => void (files === 1 && stop.abort()),
    })
    await expect(stopped).rejects.toThrow(/abort/i)
    expect(shown(host)).not.toEqual(wantedOf(RENAMED))
    await publish(host, record, RENAMED)
    expect(shown(host)).toEqual(wantedOf(RENAMED))
    expect(faults).toEqual([])
  })
})
