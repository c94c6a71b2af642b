import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { LAYOUTS } from '@viatica/core/plan/site.ts'
import { readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { demoSiteFile } from '@viatica/demo/load.ts'
import { LinkChecker } from 'linkinator'
import { viatica as viaticaIn, viaticaAlone } from './testing/viatica.ts'

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'build-'))
  writeFileSync(join(folder, 'demo.json'), demoSiteFile())
})
afterAll(() => rmSync(folder, { recursive: true }))

const viatica = (...args: string[]) => viaticaIn({ folder }, ...args)

function write(name: string, text: string | Buffer): string {
  writeFileSync(join(folder, name), text)
  return name
}

function emptyFolder(): string {
  mkdirSync(join(folder, 'nothing'), { recursive: true })
  return 'nothing'
}

/** A site file with existing pages, one file of which has a name of 300 bytes: an archive can hold one, a disk cannot. */
function withLongName(): string {
  const { site, contents } = readSiteFile(demoSiteFile())
  const [id, file] = [...site.files][0]!
  const long = { ...file, path: `new/${'x'.repeat(300)}.png`, asFound: true as const }
  return writeSiteFile({ ...site, files: new Map(site.files).set(id, long) }, contents)
}

describe('viatica build', () => {
  test.each(LAYOUTS)(
    'an independent link checker (linkinator) finds every link of the demo whole, in the layout %s',
    async (layout) => {
      const out = `site-${layout}`
      expect(await viatica('build', 'demo.json', '--out', out, '--layout', layout)).toMatchObject({
        status: 0,
        stderr: '',
      })
      const result = await new LinkChecker().check({
        path: join(folder, out),
        recurse: true,
        // Links that leave the site are not fetched: tests reach no other host.
        linksToSkip: (url) => Promise.resolve(!url.startsWith('http://localhost')),
      })
      expect(result.links.filter((link) => link.state === 'BROKEN')).toEqual([])
      const pages = result.links.filter((link) => link.state === 'OK' && link.url.endsWith('.html'))
      const files = readdirSync(join(folder, out), { recursive: true, encoding: 'utf8' }).filter((name) =>
        name.endsWith('.html'),
      )
      expect(new Set(pages.map((link) => link.url)).size).toBe(files.length)
      expect(files.length).toBe(37)
    },
  )

  test('an outline becomes a site, with the base URL and menu depth that were asked for', async () => {
    const file = write(
      'a.opml',
      '<opml version="2.0"><head><title>T</title></head><body><outline text="A"><outline text="B"/></outline><outline text="C"/></body></opml>',
    )
    expect(
      (await viatica('build', file, '--out', 'a', '--base-url', 'https://example.org/x', '--menu-depth', '2'))
        .status,
    ).toBe(0)
    const html = readFileSync(join(folder, 'a/b.html'), 'utf8')
    expect(html).toContain('<link rel="canonical" href="https://example.org/x/b.html">')
    expect(html).toContain('<ul id="menu-1-2">')
  })

  test('a folder that cannot take every file keeps what it had, and nothing else', async () => {
    const file = write(
      'in-the-way.opml',
      '<opml version="2.0"><body><outline text="Home"><outline text="Walks"><outline text="Canal"/></outline></outline></body></opml>',
    )
    const out = join(folder, 'in-the-way')
    mkdirSync(out)
    // A file stands where the site has a folder.
    writeFileSync(join(out, 'walks'), 'mine')
    const { status, stderr } = await viatica('build', file, '--out', 'in-the-way', '--layout', 'nested')
    expect(status).toBe(2)
    expect(stderr).toMatch(/^in-the-way: .*walks/)
    expect(readdirSync(out, { recursive: true })).toEqual(['walks'])
    expect(readFileSync(join(out, 'walks'), 'utf8')).toBe('mine')
  })

  test('as npm starts it, it does and says the same', async () => {
    const files = (name: string) =>
      readdirSync(join(folder, name), { recursive: true, withFileTypes: true, encoding: 'utf8' })
        .filter((file) => file.isFile())
        .map((file) => join(file.parentPath, file.name))
        .map((path) => [path.slice(join(folder, name).length), readFileSync(path, 'latin1')])
    for (const args of [['build', 'demo.json', '--out', 'as-started'], ['build', 'none.json'], []]) {
      const alone = await viaticaAlone({ folder }, ...args)
      const { status, stdout, stderr } = await viatica(
        ...args.map((arg) => arg.replace('as-started', 'here')),
      )
      expect(alone.status).toBe(status)
      expect(alone.stdout.trimEnd().replace('as-started', 'here')).toBe(stdout)
      expect(alone.stderr.trimEnd()).toBe(stderr)
    }
    expect(files('as-started').length).toBeGreaterThan(40)
    expect(files('as-started')).toEqual(files('here'))
  })

  test('building twice gives the same files', async () => {
    const read = (name: string) => readFileSync(join(folder, 'twice', name), 'utf8')
    await viatica('build', 'demo.json', '--out', 'twice')
    const first = read('index.html')
    await viatica('build', 'demo.json', '--out', 'twice')
    expect(read('index.html')).toBe(first)
  })

  test.each([
    ['no command', () => [], /^Usage: viatica build/],
    ['no folder', () => ['build', 'demo.json'], /^Usage: viatica build/],
    ['an unknown option', () => ['build', 'demo.json', '--out', 'bad', '--colour', 'x'], /--colour/],
    [
      'an unknown layout',
      () => ['build', 'demo.json', '--out', 'bad', '--layout', 'x'],
      /^--layout must be flat, nested, folders or own/,
    ],
    [
      'a bad depth',
      () => ['build', 'demo.json', '--out', 'bad', '--menu-depth', '9'],
      /^--menu-depth must be 1, 2 or 3/,
    ],
    [
      'a bad base URL',
      () => ['build', 'demo.json', '--out', 'bad', '--base-url', 'example.org'],
      /^--base-url must be an address/,
    ],
    [
      'a file that is not there',
      () => ['build', 'none.json', '--out', 'bad'],
      /none\.json: There is no such file/,
    ],
    [
      'a folder without pages',
      () => ['build', emptyFolder(), '--out', 'bad'],
      /There are no pages in this folder/,
    ],
    [
      'bytes that are no text',
      () => ['build', write('b.json', Buffer.from([0xff, 0xfe, 0x00])), '--out', 'bad'],
      /not text in UTF-8/,
    ],
    [
      'a site file cut off',
      () => ['build', write('c.json', demoSiteFile().slice(0, 999)), '--out', 'bad'],
      /c\.json: Line \d+, column \d+: /,
    ],
    [
      'an outline that is none',
      () => ['build', write('d.opml', '<rss/>'), '--out', 'bad'],
      /d\.opml: Line 1, column \d+: .*not <opml>/,
    ],
    [
      'a folder with a name that no disk takes',
      () => ['build', write('f.json', demoSiteFile()), '--out', `bad/${'x'.repeat(300)}`],
      /ENAMETOOLONG|name too long/,
    ],
    [
      'a file with a name that no disk takes',
      () => ['build', write('g.json', withLongName()), '--out', 'bad'],
      /ENAMETOOLONG|name too long/,
    ],
    [
      '120 MB',
      () => ['build', write('e.json', Buffer.alloc(120_000_000, 'x')), '--out', 'bad'],
      /larger than 110 MB/,
    ],
  ])('%s: status 2, one line, and nothing is written', async (_, args, reason) => {
    const { status, stdout, stderr } = await viatica(...args())
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' })
    expect(stderr).toMatch(reason)
    expect(stderr.trim().split('\n')).toHaveLength(1)
    expect(existsSync(join(folder, 'bad'))).toBe(false)
  })
})
