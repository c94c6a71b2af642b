import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { once } from 'node:events'
import type { FolderReport } from '@viatica/core/existing/report.ts'
import { type HandSite, handFiles } from '@viatica/core/testing/handMade.ts'
import { ZipFile } from 'yazl'
import { viatica as viaticaIn } from './testing/viatica.ts'

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'bring-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

const viatica = (...args: string[]) => viaticaIn({ folder }, ...args)

const page = (path: string, label: string, parent?: string) => ({
  path,
  title: `All about ${label.toLowerCase()}`,
  label,
  parent,
  content: `<p>What there is to say of ${label}.</p>`,
})
const HAND: HandSite = {
  pages: [
    page('index.htm', 'Home'),
    page('tea.htm', 'Tea', 'index.htm'),
    page('tea-green.htm', 'Green tea', 'tea.htm'),
    page('coffee.htm', 'Coffee', 'index.htm'),
    page('cups.htm', 'Cups', 'index.htm'),
  ],
  habits: {
    menu: 'line',
    mark: 'text',
    nested: false,
    breadcrumb: 'line',
    pager: 'words',
    headLinks: false,
    title: 'after',
    capitals: true,
    crlf: true,
    encoding: 'windows-1252',
    dot: false,
    menuTwice: true,
    lead: false,
    letters: 'plain',
    foot: 'words',
    shared: 'no',
    picture: 'style',
    logo: 'pictures/logo.png',
  },
}
const PLANTED = [{ path: 'coffee.htm', kind: 'old footer' }] as const

function writeFolder(name: string, files: ReturnType<typeof handFiles>): void {
  for (const { path, bytes } of files) {
    mkdirSync(dirname(join(folder, name, path)), { recursive: true })
    writeFileSync(join(folder, name, path), bytes)
  }
}

const lineOf = (path: string, text: string) =>
  readFileSync(join(folder, path), 'latin1')
    .split('\n')
    .findIndex((line) => line.includes(text)) + 1

const readFolder = (name: string) =>
  Object.fromEntries(
    readdirSync(join(folder, name), { recursive: true, encoding: 'utf8', withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => join(entry.parentPath, entry.name))
      .map((path) => [path.slice(join(folder, name).length + 1), readFileSync(path).toString('latin1')]),
  )

/** A zip archive. @param change what becomes of its bytes */
async function writeZip(
  name: string,
  files: readonly { path: string; bytes: Uint8Array }[],
  change: (bytes: Buffer) => Buffer = (bytes) => bytes,
): Promise<string> {
  const zip = new ZipFile()
  for (const { path, bytes } of files) zip.addBuffer(Buffer.from(bytes), path)
  zip.end()
  const out = createWriteStream(join(folder, name))
  zip.outputStream.pipe(out)
  await once(out, 'finish')
  writeFileSync(join(folder, name), change(readFileSync(join(folder, name))))
  return name
}

describe('viatica bring', () => {
  test('a folder becomes a site file, with a report; built, it is the same folder', async () => {
    writeFolder('hand', handFiles(HAND, PLANTED))
    const { status, stdout, stderr } = await viatica(
      'bring',
      'hand',
      '--out',
      'hand.json',
      '--report',
      'report.json',
    )
    expect({ status, stderr }).toEqual({ status: 0, stderr: '' })
    expect(stdout).toContain('5 pages with 1 template, 2 other files, written to hand.json')
    const report = JSON.parse(readFileSync(join(folder, 'report.json'), 'utf8')) as FolderReport
    expect(Object.keys(report)).toEqual([
      'pages',
      'order',
      'templates',
      'menus',
      'drift',
      'files',
      'includes',
      'leftover',
    ])
    expect(report.drift).toEqual([
      {
        path: 'coffee.htm',
        part: 'footer',
        says: '© 2011 Mill Lane Gardens. Open every day but Monday.',
        expected: '© 2024 Mill Lane Gardens. Open every day but Monday.',
        line: lineOf('hand/coffee.htm', '2011'),
      },
    ])
    expect(report.pages.find(({ path }) => path === 'tea-green.htm')).toEqual({
      path: 'tea-green.htm',
      parent: 'tea.htm',
      title: 'All about green tea',
      label: 'Green tea',
      template: 'Pages',
      evidence: 'breadcrumb',
    })
    expect(report.menus[0]).toMatchObject({ mark: { form: 'text', on: 'b', value: 'b' } })
    expect((await viatica('build', 'hand.json', '--out', 'built')).status).toBe(0)
    expect(readFolder('built')).toEqual(readFolder('hand'))
    // A folder can be built as it is, too.
    expect((await viatica('build', 'hand', '--out', 'straight')).status).toBe(0)
    expect(readFolder('straight')).toEqual(readFolder('hand'))
  })

  test('--fix all brings drift into line; --json prints the report and nothing else', async () => {
    writeFolder('drifted', handFiles(HAND, PLANTED))
    writeFolder('clean', handFiles(HAND))
    const { stdout } = await viatica('bring', 'drifted', '--out', 'fixed.json', '--fix', 'all', '--json')
    expect((JSON.parse(stdout) as FolderReport).drift).toHaveLength(1)
    await viatica('build', 'fixed.json', '--out', 'fixed')
    expect(readFolder('fixed')).toEqual(readFolder('clean'))
  })

  test('a zip archive with one folder in it is that folder', async () => {
    const files = handFiles(HAND).map(({ path, bytes }) => ({ path: `site/${path}`, bytes }))
    await writeZip('site.zip', files)
    expect((await viatica('bring', 'site.zip', '--out', 'zipped.json')).status).toBe(0)
    writeFolder('unzipped', handFiles(HAND))
    await viatica('build', 'zipped.json', '--out', 'from-zip')
    expect(readFolder('from-zip')).toEqual(readFolder('unzipped'))
  })

  test('links of the file system are not followed', async () => {
    writeFolder('linked', handFiles(HAND))
    symlinkSync('/etc', join(folder, 'linked/etc'))
    const { stdout } = await viatica('bring', 'linked', '--out', 'linked.json', '--json')
    expect((JSON.parse(stdout) as FolderReport).files).toHaveLength(7)
  })

  const named = (bytes: Buffer, from: string, to: string) =>
    Buffer.from(bytes.toString('latin1').replaceAll(from, to), 'latin1')

  test.each([
    ['leads out of the archive', '../../x.c', '../../x.c'],
    ['has control characters', 'sty\u0001e.css', 'sty\u0001e.css'],
    ['is absolute', '/tyle.css', '/tyle.css'],
  ])(
    'a file whose name %s is left out with a message, and the others are imported',
    async (_, name, told) => {
      await writeZip('odd.zip', handFiles(HAND), (bytes) => named(bytes, 'style.css', name.padEnd(9, 'x')))
      const { status, stdout } = await viatica('bring', 'odd.zip', '--out', 'odd.json')
      expect(status).toBe(0)
      expect(stdout).toContain(`${JSON.stringify(told)}: `)
      expect((await viatica('build', 'odd.json', '--out', 'odd')).status).toBe(0)
      expect(Object.keys(readFolder('odd'))).toHaveLength(6)
    },
  )

  test('backslashes in an archive are folders, and a name may begin with a space', async () => {
    await writeZip('back.zip', handFiles(HAND), (bytes) => named(bytes, 'style.css', ' aa\\b.css'))
    expect((await viatica('bring', 'back.zip', '--out', 'back.json')).status).toBe(0)
    await viatica('build', 'back.json', '--out', 'back')
    expect(Object.keys(readFolder('back'))).toContain(' aa/b.css')
  })

  test.each([
    ['nothing named', () => ['bring'], /^Usage: viatica bring/],
    ['no folder there', () => ['bring', 'none', '--out', 'bad.json'], /no such folder/],
    ['an unknown fix', () => ['bring', 'hand', '--out', 'bad.json', '--fix', 'some'], /--fix must be all/],
    [
      'an archive that is cut off',
      async () => [
        'bring',
        await writeZip('cut.zip', handFiles(HAND), (bytes) => bytes.subarray(0, 300)),
        '--out',
        'bad.json',
      ],
      /^cut\.zip: This archive cannot be read/,
    ],
    [
      'an archive that unpacks to more than there is room for',
      async () => [
        'bring',
        await writeZip('bomb.zip', [{ path: 'a.html', bytes: new Uint8Array(210_000_000) }]),
        '--out',
        'bad.json',
      ],
      /more than 200 MB/,
    ],
  ])('%s: status 2, one line, and nothing is written', async (_, args, reason) => {
    const { status, stdout, stderr } = await viatica(...(await args()))
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' })
    expect(stderr).toMatch(reason)
    expect(stderr.trim().split('\n')).toHaveLength(1)
    expect(existsSync(join(folder, 'bad.json'))).toBe(false)
  })
})

test('a folder with much in it becomes an archive, and that is built again to the byte', async () => {
  const from = join(folder, 'much')
  const large = Buffer.alloc(38_000_000, 'a long sound ')
  mkdirSync(join(from, 'sounds'), { recursive: true })
  writeFolder('much', handFiles(HAND))
  writeFileSync(join(from, 'sounds/large.xyz'), large)
  expect(await viatica('bring', 'much', '--out', 'much.site')).toMatchObject({ status: 0 })
  expect(readFileSync(join(folder, 'much.site')).subarray(0, 2).toString()).toBe('PK')
  expect(await viatica('build', 'much.site', '--out', 'much-built')).toMatchObject({ status: 0 })
  for (const { path, bytes } of handFiles(HAND))
    expect(new Uint8Array(readFileSync(join(folder, 'much-built', path)))).toEqual(bytes)
  expect(readFileSync(join(folder, 'much-built/sounds/large.xyz')).equals(large)).toBe(true)
  writeFileSync(join(folder, 'cut.site'), readFileSync(join(folder, 'much.site')).subarray(0, 9000))
  const cut = await viatica('build', 'cut.site', '--out', 'cut-built')
  expect(cut.status).toBe(2)
  expect(cut.stderr).toContain('This archive cannot be read')
  expect(existsSync(join(folder, 'cut-built'))).toBe(false)
})
