import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { text } from 'node:stream/consumers'
import { setTimeout as wait } from 'node:timers/promises'
import { readSiteFile, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import type { SingleChange } from '@viatica/core/plan/change/change.ts'
import { applySoundly } from '@viatica/core/plan/change/sound.ts'
import { demoSiteFile } from '@viatica/demo/load.ts'
import { type Sshd, startSshd } from '@viatica/hosts/testing/sshd.ts'
import { type StandIn, startStandIn } from '@viatica/hosts/standIn/standIn.ts'
import type { Trouble } from '@viatica/core/protocol/publishRequests.ts'
import { NO_TROUBLE } from '@viatica/hosts/standIn/trouble.ts'
import { startViatica, viatica } from '../testing/viatica.ts'

const PLANTED = 'planted-secret-71c'

let folder: string
let standInFolder: string
let sshd: Sshd
let standIn: StandIn
beforeAll(async () => {
  standInFolder = mkdtempSync(join(tmpdir(), 'stand-in-'))
  const own = { folder: standInFolder, password: 'of the test', sftpPort: 0, ftpPort: 0, webPort: 0 }
  ;[sshd, standIn] = await Promise.all([startSshd(), startStandIn(own)])
})
afterAll(async () => {
  await Promise.all([sshd.stop(), standIn.stop()])
  rmSync(standInFolder, { recursive: true })
})
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'shell-'))
  writeFileSync(join(folder, 'demo.json'), demoSiteFile())
})
afterEach(() => rmSync(folder, { recursive: true }))

/** Starts the command as npm does, in a process that can be killed. */
const start = (args: readonly string[], env: Record<string, string>) =>
  startViatica({ folder, env }, 'publish', ...args)

async function publish(args: readonly string[], env: Record<string, string> = {}) {
  const ended = await viatica({ folder, env }, 'publish', ...args)
  return { ...ended, json: ended.stdout.startsWith('{') ? JSON.parse(ended.stdout) : undefined }
}

/** Every file under a folder, with its bytes. */
const filesIn = (top: string) =>
  new Map(
    readdirSync(top, { recursive: true, encoding: 'utf8' })
      .filter((path) => statSync(join(top, path)).isFile())
      .sort()
      .map((path) => [path, readFileSync(join(top, path), 'latin1')]),
  )

/** Edits the site file, as its author does in Viatica. */
function edit(...changes: SingleChange[]): void {
  const { site, contents } = readSiteFile(readFileSync(join(folder, 'demo.json'), 'utf8'))
  const edited = changes.reduce((now, change) => applySoundly(now, change).site, site)
  writeFileSync(join(folder, 'demo.json'), writeSiteFile(edited, contents))
}
const pins = () =>
  [...readSiteFile(readFileSync(join(folder, 'demo.json'), 'utf8')).site.plan.entries.values()].filter(
    (entry) => entry.kind === 'page' && entry.pin,
  ).length

const out = (name = 'out') => {
  mkdirSync(join(folder, name), { recursive: true })
  return name
}

test('a trial says what would change and changes nothing, here as there', async () => {
  out()
  const before = filesIn(folder)
  const trial = await publish(['demo.json', '--to', 'out', '--dry-run', '--json'])
  expect(trial).toMatchObject({ status: 0, stderr: '' })
  expect(trial.json.dryRun).toBe(true)
  expect(trial.json.added).toContain('index.html')
  expect(filesIn(folder)).toEqual(before)
})

test('a folder: whole, then what an edit reaches; pages keep their addresses, and one that moves leads on', async () => {
  out()
  const first = await publish(['demo.json', '--to', 'out', '--json'])
  expect(first).toMatchObject({ status: 0, stderr: '', json: { errors: [], deleted: [] } })
  const all = filesIn(join(folder, 'out'))
  expect([...all.keys()]).toEqual([...first.json.added].sort())
  expect(first.json.counts.put).toBe(all.size)
  expect(first.json.pinned).toBe(pins())
  expect(first.json.pinned).toBeGreaterThan(30)

  // Nothing changed, as the addresses that are pinned are those that the pages had.
  expect((await publish(['demo.json', '--to', 'out', '--json'])).json).toMatchObject({
    counts: { put: 0, removed: 0 },
    pinned: 0,
    same: all.size,
  })
  edit(
    { kind: 'setEntry', entry: 'otters', field: 'description', value: 'Where otters are seen.' },
    { kind: 'setEntry', entry: 'birds', field: 'title', value: 'Birds and bats' },
    { kind: 'move', entry: 'moorings', parent: 'visit', place: 0 },
  )
  const trial = await publish(['demo.json', '--to', 'out', '--dry-run', '--json'])
  const second = await publish(['demo.json', '--to', 'out', '--json'])
  for (const key of ['added', 'changed', 'moved', 'deleted', 'same'])
    expect(trial.json[key]).toEqual(second.json[key])
  expect(second.json.moved).toEqual([{ from: 'boating/moorings.html', to: 'visit/moorings.html' }])
  expect(second.json.changed).toContain('nature/otters.html')
  const now = filesIn(join(folder, 'out'))
  expect(now.get('boating/moorings.html')).toMatch(/url=\.\.\/visit\/moorings\.html/)
  // A title that changes after its page was published does not move it.
  expect(now.has('nature/birds.html')).toBe(true)
  const differ = [...now].flatMap(([path, bytes]) => (all.get(path) === bytes ? [] : [path]))
  expect(second.json.counts.put).toBe(differ.length)
})

test('a file that somebody changed there is told, goes only when that is said, and is kept beside the site file', async () => {
  out()
  await publish(['demo.json', '--to', 'out'])
  const path = join(folder, 'out/privacy.html')
  writeFileSync(path, 'by hand')
  const trial = await publish(['demo.json', '--to', 'out', '--dry-run'])
  expect(trial.status).toBe(1)
  expect(trial.stdout).toMatch(/1 file on the host changed by somebody else[^]*\n {2}privacy\.html/)
  for (const more of [['--replace', 'index.html']]) {
    const refused = await publish(['demo.json', '--to', 'out', ...more, '--json'])
    expect(refused.status).toBe(1)
    expect(refused.json.found).toMatchObject([{ path: 'privacy.html' }])
    expect(readFileSync(path, 'utf8')).toBe('by hand')
  }
  const let_ = await publish(['demo.json', '--to', 'out', '--replace', 'privacy.html', '--json'])
  expect(let_.status).toBe(0)
  expect(readFileSync(path, 'utf8')).toMatch(/^<!doctype html>/)
  const [kept] = let_.json.kept
  expect(readFileSync(kept.keptAt, 'utf8')).toBe('by hand')
})

test('errors that Proof finds hold it up until that is said', async () => {
  out()
  edit({
    kind: 'setEntry',
    entry: 'otters',
    field: 'body',
    value: { html: '<p><a href="gone.html">x</a></p>', changed: '' },
  })
  const refused = await publish(['demo.json', '--to', 'out'])
  expect(refused.status).toBe(1)
  expect(refused.stdout).toMatch(/^Proof finds 1 error:\n {2}.+\n.*--with-errors/)
  expect(readdirSync(join(folder, 'out'))).toEqual([])
  expect((await publish(['demo.json', '--to', 'out', '--dry-run'])).status).toBe(1)
  expect((await publish(['demo.json', '--to', 'out', '--with-errors'])).status).toBe(0)
})

test('an outline and a folder of pages are published, too, and are not written to', async () => {
  writeFileSync(
    join(folder, 'a.opml'),
    '<opml version="2.0"><head><title>T</title></head><body><outline text="A"><outline text="B"/></outline></body></opml>',
  )
  out('pages')
  const page = (title: string) =>
    `<!DOCTYPE html>\n<html lang="en"><head><title>${title}</title></head>\n<body><nav><ul><li><a href="index.html">Home</a></li><li><a href="b.html">B</a></li></ul></nav>\n<h1>${title}</h1>\n<p>${title}</p>\n</body></html>\n`
  writeFileSync(join(folder, 'pages/index.html'), page('Home'))
  writeFileSync(join(folder, 'pages/b.html'), page('B'))
  const before = filesIn(folder)
  out('a')
  out('b')
  expect((await publish(['a.opml', '--to', 'a', '--json'])).json.added).toContain('index.html')
  expect(await publish(['pages', '--to', 'b', '--with-errors'])).toMatchObject({ status: 0 })
  // Existing pages come out as they are, with nothing beside them.
  expect(filesIn(join(folder, 'b'))).toEqual(filesIn(join(folder, 'pages')))
  for (const [path, bytes] of before) expect(readFileSync(join(folder, path), 'latin1')).toBe(bytes)
})

describe('by SFTP', () => {
  const to = () => `sftp://${sshd.user}@127.0.0.1:${sshd.port}/${sshd.folder}`
  beforeEach(() => {
    rmSync(sshd.folder, { recursive: true })
    mkdirSync(sshd.folder)
    writeFileSync(join(folder, 'key'), sshd.privateKey, { mode: 0o600 })
  })

  test('a host that is met for the first time is told with its key, and remembered when that was said', async () => {
    const args = ['demo.json', '--to', to(), '--key', 'key', '--json']
    const unknown = await publish(args)
    expect(unknown.status).toBe(1)
    expect(unknown.json.fault).toContain(sshd.hostKey)
    expect(readdirSync(sshd.folder)).toEqual([])
    expect((await publish([...args, '--host-key', 'SHA256:another'])).json.fault).toMatch(/another host key/)
    expect(await publish([...args, '--host-key', sshd.hostKey])).toMatchObject({ status: 0, stderr: '' })
    expect(existsSync(join(sshd.folder, 'index.html'))).toBe(true)
    expect((await publish(args)).json).toMatchObject({ counts: { put: 0, removed: 0 } })
    // The key belongs to server and port, not to the folder.
    mkdirSync(join(sshd.folder, 'in'))
    const inFolder = args.map((arg) => (arg === to() ? `${to()}/in` : arg))
    expect(await publish(inFolder)).toMatchObject({ status: 0 })
  })

  test('a key that was approved is remembered where the folder does not exist', async () => {
    const args = ['demo.json', '--to', `${to()}/none`, '--key', 'key', '--json']
    expect((await publish([...args, '--host-key', sshd.hostKey])).json.fault).toMatch(/has no folder/)
    expect((await publish(args)).json.fault).toMatch(/has no folder/)
  })

  test('a key that was approved is remembered where the login fails', async () => {
    const args = [
      'demo.json',
      '--to',
      to().replace(`${sshd.user}@`, 'nobody-of-that-name@'),
      '--key',
      'key',
      '--json',
    ]
    expect((await publish([...args, '--host-key', sshd.hostKey])).json.fault).toMatch(/does not let/)
    expect((await publish(args)).json.fault).toMatch(/does not let/)
  })

  test('what is wrong is told in words, with no secret anywhere', async () => {
    const args = ['demo.json', '--to', to(), '--host-key', sshd.hostKey]
    const wrong = await publish(args, { VIATICA_PASSWORD: PLANTED })
    expect(wrong).toMatchObject({ status: 1, stderr: '' })
    expect(wrong.stdout).toMatch(/does not let/)
    const none = await publish(args)
    expect(none.status).toBe(2)
    expect(none.stderr).toMatch(/VIATICA_PASSWORD holds it/)
    expect((await publish([...args, '--key', 'none'])).stderr).toMatch(/--key .*none: ENOENT/)
    for (const [, bytes] of filesIn(folder)) expect(bytes).not.toContain(PLANTED)
    expect(wrong.stdout + wrong.stderr).not.toContain(PLANTED)
  })
})

describe('to a host that shows it over HTTP', () => {
  const site = 'by-shell'
  const shown = () => join(standInFolder, 'sites', site)
  const byFtp = () => [
    ...['demo.json', '--to', `ftp://${standIn.access.user}@127.0.0.1:${standIn.access.ftp.port}/${site}`],
    ...['--certificate', standIn.access.ftp.certificate, '--json'],
    ...['--address', standIn.access.url.replace('{site}', site)],
  ]
  const password = () => ({ VIATICA_PASSWORD: standIn.access.password })
  const trouble = (more: Partial<Trouble>) =>
    fetch(standIn.access.control, {
      method: 'PUT',
      headers: { authorization: `Bearer ${standIn.access.password}` },
      body: JSON.stringify({ ...NO_TROUBLE, ...more }),
    })
  beforeEach(() => {
    rmSync(shown(), { recursive: true, force: true })
    mkdirSync(shown(), { recursive: true })
  })
  afterEach(() => trouble({}))

  test('every page is asked for afterwards; one that comes otherwise is told', async () => {
    const { status, json } = await publish(byFtp(), password())
    expect([status, json.fault, json.proof.wrong]).toEqual([0, undefined, []])
    expect(json.proof.same).toBe(json.proof.asked)
    expect(json.proof.asked).toBeGreaterThan(30)
    // Where visitors find something else: the site of nobody.
    const elsewhere = byFtp().map((arg) => (arg.startsWith('http') ? arg.replace(site, 'nobody') : arg))
    const other = await publish(elsewhere, password())
    expect(other.status).toBe(1)
    expect(other.json.proof.wrong[0].words).toMatch(/status 404/)
  })

  test('killed in the midst, it goes on the next time; another at the same time waits for its turn', async () => {
    await trouble({ slowMs: 15 })
    const killed = start(byFtp(), password())
    const gone = new Promise((resolve) => killed.once('exit', resolve))
    while (readdirSync(shown()).length < 4) await wait(10)
    const second = await publish(byFtp(), password())
    expect(second.status).toBe(2)
    expect(second.stderr).toMatch(/Somebody else is publishing this/)
    killed.kill('SIGKILL')
    await gone
    await trouble({})
    const { status, json } = await publish(byFtp(), password())
    expect([status, json.fault]).toEqual([0, undefined])
    expect(json.proof.same).toBe(json.proof.asked)
    expect(
      readdirSync(shown(), { recursive: true, encoding: 'utf8' }).filter((path) =>
        /\.new-|\.publishing/.test(path),
      ),
    ).toEqual([])
  })

  test('stopped by its author, it lets the host go at once', async () => {
    await trouble({ slowMs: 15 })
    const stopped = start(byFtp(), password())
    const said = text(stopped.stdout)
    const gone = new Promise((resolve) => stopped.once('exit', resolve))
    while (readdirSync(shown()).length < 4) await wait(10)
    stopped.kill('SIGINT')
    expect(await gone).toBe(1)
    expect(JSON.parse(await said).fault).toMatch(/^Stopped/)
    expect(readdirSync(shown())).not.toContain('.publishing')
    await trouble({})
    expect((await publish(byFtp(), password())).status).toBe(0)
  })
})
