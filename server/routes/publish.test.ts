import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type IncomingHttpHeaders, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { setTimeout as wait } from 'node:timers/promises'
import { LinkChecker } from 'linkinator'
import type { PageEntry } from '@viatica/core/plan/entry.ts'
import { childrenOf } from '@viatica/core/plan/plan.ts'
import type { HostSettings } from '@viatica/core/publish/host.ts'
import { USUAL_CHOICES } from '@viatica/core/publish/choices.ts'
import { type StandIn, startStandIn } from '@viatica/hosts/standIn/standIn.ts'
import { hostsAnswer, keptAnswer, triedAnswer } from '@viatica/core/protocol/publish.ts'
import type { Trouble } from '@viatica/core/protocol/publishRequests.ts'
import * as v from 'valibot'
import { NO_TROUBLE } from '@viatica/hosts/standIn/trouble.ts'
import { hostRules } from '../publish/together.ts'
import { visit } from '@viatica/hosts/visit.ts'
import { type Sshd, startSshd } from '@viatica/hosts/testing/sshd.ts'
import { startVsftpd, type Vsftpd } from '@viatica/hosts/testing/vsftpd.ts'
import { type Answer, ask, type Serving, serve } from '../testing/serve.ts'

const PLANTED = 'planted-password-9f31'

let host: StandIn
let sshd: Sshd
let vsftpd: Vsftpd
let server: Serving
const own = mkdtempSync(join(tmpdir(), 'publish-'))
const folder = mkdtempSync(join(tmpdir(), 'published-'))

beforeAll(async () => {
  host = await startStandIn({ folder: own, password: 'of the test', sftpPort: 0, ftpPort: 0, webPort: 0 })
  sshd = await startSshd()
  vsftpd = await startVsftpd('tls')
  const rules = hostRules({ folders: [folder], ownNetwork: false, standIn: host.access })
  const withSshd = new Set([...rules.reach.allowed, `127.0.0.1:${sshd.port}`, `127.0.0.1:${vsftpd.port}`])
  server = await serve({
    secret: 'a secret of the test, long enough',
    rules: { ...rules, reach: { ...rules.reach, allowed: withSshd } },
  })
})
afterAll(async () => {
  await server.stop()
  await host.stop()
  await sshd.stop()
  await vsftpd.stop()
  for (const one of [own, folder]) rmSync(one, { recursive: true, force: true })
})

const settings = (more: Partial<HostSettings> = {}): HostSettings => ({
  name: 'Trial',
  way: { by: 'stand-in' },
  address: '',
  choices: USUAL_CHOICES,
  ...more,
})
const at = (site: string, path = '') => `${server.url}/api/sites/${site}/hosts${path}`
const make = async (site: string, what: HostSettings, secret = {}): Promise<string> => {
  const answer = await ask(at(site), 'POST', { settings: what, secret })
  expect(answer.status).toBe(201)
  return answer.json.id as string
}
const newest = async (site: string, id: string) =>
  (await ask(at(site, `/${id}/publications`))).json.publications[0]
/** Publishes, and waits until that has ended. */
async function publish(site: string, id: string, order: object = {}) {
  const begun = await ask(at(site, `/${id}/publications`), 'POST', order)
  expect(begun.status).toBe(201)
  for (;;) {
    const publication = await newest(site, id)
    if (!/preparing|sending|proving/.test(publication.state)) return publication
    await wait(20)
  }
}
const difference = async (site: string, id: string) =>
  (await ask(at(site, `/${id}/difference`))).json.difference
const counts = ({ added, changed, moved, deleted }: Record<string, unknown[]>) =>
  [added, changed, moved, deleted].map((list) => list!.length)
const allowed = () => hostRules({ folders: [], ownNetwork: false, standIn: host.access }).reach
const get = (site: string, path: string) => visit(host.access.url.replace('{site}', site) + path, allowed())
/** What the stand-in host answers, with all its headers. */
async function fetchRaw(site: string, path: string) {
  const { hostname, port } = new URL(host.access.url.replace('{site}', site))
  return new Promise<{ status: number; headers: IncomingHttpHeaders; bytes: Buffer }>((resolve, reject) => {
    const asked = request(
      { host: '127.0.0.1', port, path, headers: { host: `${hostname}:${port}` } },
      (answer) => {
        buffer(answer).then(
          (bytes) => resolve({ status: answer.statusCode!, headers: answer.headers, bytes }),
          reject,
        )
      },
    )
    asked.on('error', reject).end()
  })
}
const trouble = (now: Partial<Trouble>) =>
  fetch(host.access.control, {
    method: 'PUT',
    headers: { authorization: 'Bearer of the test' },
    body: JSON.stringify({ ...NO_TROUBLE, ...now }),
  })
const edit = async (site: string, change: object): Promise<Answer> => {
  const { revision } = await server.store.sites.read(site)
  const answer = await server.api.post(site, revision, change)
  expect(answer.status).toBe(200)
  return answer
}

test('a site is published whole, then only what an edit reaches; visitors get it, moved pages lead on, and back and forth', async () => {
  const site = await server.demo()
  const id = await make(site, settings())
  const [added, ...rest] = counts(await difference(site, id))
  expect(added).toBeGreaterThan(40)
  expect(rest).toEqual([0, 0, 0])
  const first = await publish(site, id, { by: 'Ada' })
  expect(first).toMatchObject({ number: 1, state: 'done', by: 'Ada', againOf: null })
  expect(first.report.proof.wrong).toEqual([])
  expect(first.report.proof.same).toBe(first.report.proof.asked)
  expect(counts(await difference(site, id))).toEqual([0, 0, 0, 0])
  // What was published keeps its address.
  const { site: pinned } = await server.store.sites.read(site)
  expect(
    [...pinned.plan.entries.values()].filter((one) => one.kind === 'page' && one.pin).length,
  ).toBeGreaterThan(30)

  const page = [...pinned.plan.entries.values()].find(
    (one) => one.kind === 'page' && one.state === 'ready' && childrenOf(pinned.plan, one.id).length === 0,
  ) as PageEntry
  await edit(site, { kind: 'setEntry', entry: page.id, field: 'description', value: 'Another description.' })
  expect(counts(await difference(site, id))).toEqual([0, 1, 0, 0])
  const second = await publish(site, id)
  expect(second.report.counts).toMatchObject({ put: 1, removed: 0 })

  const was = (await difference(site, id)).same as number
  expect(was).toBeGreaterThan(40)
  const kept = { name: 'quite-elsewhere', addresses: page.pin!.addresses }
  await edit(site, { kind: 'setEntry', entry: page.id, field: 'pin', value: kept })
  const moving = await difference(site, id)
  expect(moving.moved).toHaveLength(1)
  const [{ before, after }] = moving.moved
  const third = await publish(site, id)
  expect(third.state).toBe('done')
  const old = await get(site, before.path)
  expect(old.status).toBe(200)
  expect(old.bytes.toString()).toContain('http-equiv="refresh"')
  expect((await get(site, after.path)).status).toBe(200)

  const back = await publish(site, id, { again: first.id })
  expect(back).toMatchObject({ state: 'done', againOf: 1, number: 4 })
  expect((await get(site, after.path)).status).toBe(404)
  expect((await get(site, before.path)).bytes.toString()).not.toContain('http-equiv')
  const forth = await publish(site, id, { again: third.id })
  expect(forth).toMatchObject({ state: 'done', againOf: 3 })
  expect((await get(site, after.path)).status).toBe(200)
  expect(counts(await difference(site, id))).toEqual([0, 0, 0, 0])
})

// An independent link checker (linkinator) over what visitors get.
test('the published demo has no link that leads nowhere, and nothing of Viatica that a visitor could find', async () => {
  const site = await server.demo()
  const id = await make(site, settings())
  await publish(site, id)
  const served: string[] = []
  // The site stands under a host name of its own, which this machine may not know.
  const proxy = createServer((request, response) => {
    void fetchRaw(site, request.url!).then(({ status, headers, bytes }) => {
      served.push(`${request.url} ${JSON.stringify(headers)} ${bytes.toString('latin1')}`)
      response.writeHead(status, headers).end(bytes)
    })
  })
  await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve))
  const top = `http://127.0.0.1:${(proxy.address() as AddressInfo).port}/`
  const { links } = await new LinkChecker().check({
    path: top,
    recurse: true,
    linksToSkip: (link) => Promise.resolve(!link.startsWith(top)),
  })
  expect(links.filter(({ state }) => state === 'BROKEN')).toEqual([])
  expect(links.filter(({ state }) => state === 'OK').length).toBeGreaterThan(40)
  for (const text of served) expect(text).not.toMatch(/viatica/i)
  // What is on the host is the site, and nothing else.
  const { files } = await ask(at(site, `/${id}/difference`)).then(({ json }) => json)
  const there = readdirSync(join(own, 'sites', site), { recursive: true, withFileTypes: true })
  expect(there.filter((one) => one.isFile())).toHaveLength(files)
  expect(there.filter(({ name }) => name.startsWith('.'))).toEqual([])
  proxy.closeAllConnections()
  proxy.close()
})

test('what is kept for publications takes no room from the files of sites', async () => {
  const site = await server.demo()
  const id = await make(site, settings())
  const used = async () =>
    (await ask(`${server.url}/api/contents/a.txt`, 'POST', 'a', 'application/octet-stream')).json.room.used
  await used()
  const before = await used()
  expect((await publish(site, id)).report.counts.bytes).toBeGreaterThan(100_000)
  expect(await used()).toBe(before)
  // Sent by an author, the same bytes are those of a file, too.
  const [row] = await server
    .database('publication_files')
    .join('contents', 'contents.key', 'publication_files.digest')
    .where({ 'publication_files.path': 'robots.txt' })
    .select<{ bytes: Buffer }[]>('bytes')
  await ask(
    `${server.url}/api/contents/robots.txt`,
    'POST',
    row!.bytes.toString(),
    'application/octet-stream',
  )
  expect(await used()).toBe(before + row!.bytes.length)
})

test('a file that was changed on the host by hand is told, kept, and let go only when that is said', async () => {
  const site = await server.demo()
  const id = await make(site, settings())
  await publish(site, id)
  writeFileSync(join(own, 'sites', site, 'index.html'), 'mine, by hand')
  const tried = v.parse(triedAnswer, (await ask(at(site, `/${id}/try`), 'POST')).json)
  expect(tried).toMatchObject({ isReached: true, found: [{ path: 'index.html' }] })
  await edit(site, { kind: 'setSite', field: 'name', value: 'Another name' })
  const asks = await publish(site, id)
  expect(asks.state).toBe('asks')
  expect(asks.report.fault).toContain('index.html')
  expect((await get(site, 'index.html')).bytes.toString()).toBe('mine, by hand')
  const letGo = asks.report.found.map(({ path, digest }: { path: string; digest: string }) => ({
    path,
    digest,
  }))
  expect((await publish(site, id, { letGo })).state).toBe('done')
  expect((await get(site, 'index.html')).bytes.toString()).toContain('Another name')
  const { kept } = v.parse(keptAnswer, (await ask(at(site, `/${id}/kept-aside`))).json)
  expect(kept).toMatchObject([{ path: 'index.html', size: 13 }])
  expect((await ask(at(site, `/${id}/kept-aside/${kept[0]!.digest}/index.html`))).text).toBe('mine, by hand')
  expect((await ask(at(site, `/${id}/kept-aside/${'0'.repeat(64)}/x`))).status).toBe(404)
})

test.each([
  ['refuses the login', { refusesLogin: true }, 'failed', /does not let viatica in/],
  ['is full', { isFull: true }, 'failed', /room on the host/],
  ['loses what it is sent', { losesUploads: true }, 'failed', /took .* and does not have it/],
  ['breaks off in the middle, again and again', { cutAfterBytes: 300_000 }, 'done', /^$/],
] as const)('a host that %s: says so, and the next time ends well', async (_, now, state, words) => {
  const site = await server.demo()
  const id = await make(site, settings())
  await trouble(now)
  const publication = await publish(site, id).finally(() => trouble({}))
  expect(publication.state).toBe(state)
  expect(publication.report.fault ?? '').toMatch(words)
  const again = await publish(site, id)
  expect(again.state).toBe('done')
  expect(again.report.proof.wrong).toEqual([])
})

test('one publication at a time; it can be stopped, and goes on afterwards', async () => {
  const site = await server.demo()
  const id = await make(site, settings())
  await trouble({ slowMs: 30 })
  const begun = await ask(at(site, `/${id}/publications`), 'POST', {})
  const second = await ask(at(site, `/${id}/publications`), 'POST', {})
  expect([begun.status, second.status]).toEqual([201, 409])
  expect((await ask(at(site, `/${id}/publications/${begun.json.id}/stop`), 'POST')).status).toBe(204)
  for (let publication; ; await wait(20)) {
    publication = await newest(site, id)
    if (publication.state === 'stopped') break
  }
  await trouble({})
  expect((await publish(site, id)).state).toBe('done')
})

test('by SFTP with a key, whose host is known again; by a folder that is allowed, and no other', async () => {
  const site = await server.demo()
  const way = {
    ...({ by: 'sftp', server: '127.0.0.1', port: sshd.port, user: sshd.user } as const),
    ...({ login: 'key', folder: sshd.folder } as const),
  }
  const id = await make(site, settings({ way }), { privateKey: sshd.privateKey })
  const tried = async () => (await ask(at(site, `/${id}/try`), 'POST')).json
  // Nothing is sent, and nothing is pinned, before somebody approved the key.
  expect(await tried()).toMatchObject({ isReached: false, fingerprint: sshd.hostKey })
  expect((await publish(site, id)).report.fault).toContain(sshd.hostKey)
  expect(v.parse(hostsAnswer, (await ask(at(site))).json).hosts[0]!.hostKey).toBe('')
  expect((await ask(at(site, `/${id}/key`), 'PUT', { hostKey: 'none' })).status).toBe(400)
  const approve = () => ask(at(site, `/${id}/key`), 'PUT', { hostKey: sshd.hostKey })
  expect((await approve()).status).toBe(204)
  expect(await tried()).toMatchObject({ isReached: true })
  const done = await publish(site, id)
  expect(done.state).toBe('done')
  expect(readFileSync(join(sshd.folder, 'index.html'), 'utf8')).toContain('Wetherlock')
  const [{ hostKey, hasSecret }] = (await ask(at(site))).json.hosts
  expect([hostKey, hasSecret]).toEqual([sshd.hostKey, true])
  await server.database('hosts').where({ id }).update({ host_key: 'SHA256:another' })
  expect((await publish(site, id)).report.fault).toMatch(/another host key/)
  await ask(at(site, `/${id}/key`), 'DELETE')
  expect((await publish(site, id)).state).toBe('failed')
  await approve()
  expect((await publish(site, id)).state).toBe('done')

  // The key belongs to server and port: it stays with another name, folder and user, and goes with another port.
  const key = async (more: object) => {
    await ask(at(site, `/${id}`), 'PUT', { settings: settings({ name: 'Other', way: { ...way, ...more } }) })
    const [host] = (await ask(at(site))).json.hosts
    return [host.hostKey, host.hasSecret]
  }
  expect(await key({ folder: 'elsewhere' })).toEqual([sshd.hostKey, true])
  expect(await key({ user: 'another' })).toEqual([sshd.hostKey, false])
  expect(await key({ port: 1 })).toEqual(['', false])

  const into = await make(site, settings({ way: { by: 'folder', folder } }))
  expect((await publish(site, into)).state).toBe('done')
  expect(readdirSync(folder)).toContain('index.html')
  for (const other of [tmpdir(), `${folder}/..`, '/etc', `${folder}/none`]) {
    const out = await make(site, settings({ way: { by: 'folder', folder: other } }))
    expect((await publish(site, out)).state).toBe('failed')
  }

  // On request, a missing folder is created with its parents, but never outside of the allowed one.
  const missing = async (way: object, secret?: object) => {
    const host = await make(site, settings({ way } as never), secret as never)
    const tried = async () => (await ask(at(site, `/${host}/try`), 'POST')).json
    const first = await tried()
    if (first.fingerprint) await ask(at(site, `/${host}/key`), 'PUT', { hostKey: first.fingerprint })
    const { lacksFolder } = await tried()
    const { status } = await ask(at(site, `/${host}/folder`), 'POST')
    return [lacksFolder, status, (await tried()).isReached]
  }
  expect(await missing({ by: 'folder', folder: `${folder}/a/b/c` })).toEqual([true, 204, true])
  expect(await missing({ by: 'folder', folder: `${tmpdir()}/not-allowed/b` })).toEqual([true, 422, false])
  expect(existsSync(`${tmpdir()}/not-allowed`)).toBe(false)
  const opens = { privateKey: sshd.privateKey }
  expect(await missing({ ...way, folder: `${sshd.folder}/new/site` }, opens)).toEqual([true, 204, true])
  expect(await missing({ ...way, folder: '/proc/none/site' }, opens)).toEqual([true, 422, false])
})

test('by FTP with TLS: once its certificate is trusted, whole and again, and changes by hand are found', async () => {
  const site = await server.demo()
  const way = {
    ...({ by: 'ftp', server: 'localhost', port: vsftpd.port, user: vsftpd.user, security: 'tls' } as const),
    ...{ acceptsPlain: false, certificate: '', folder: vsftpd.folder },
  }
  const id = await make(site, settings({ way }), { password: vsftpd.password })
  const { isReached, fingerprint } = (await ask(at(site, `/${id}/try`), 'POST')).json
  expect([isReached, fingerprint]).toEqual([false, vsftpd.certificate])
  expect((await publish(site, id)).report.fault).toContain(vsftpd.certificate)
  expect(readdirSync(vsftpd.folder)).toEqual([])
  const trusted = settings({ way: { ...way, certificate: fingerprint } })
  expect((await ask(at(site, `/${id}`), 'PUT', { settings: trusted })).status).toBe(204)

  const done = await publish(site, id)
  expect(done.state).toBe('done')
  const paths = readdirSync(vsftpd.folder, { recursive: true, encoding: 'utf8' })
  expect(paths.filter((path) => /(^|\/)\.(new-|publishing)/.test(path))).toEqual([])
  expect(readFileSync(join(vsftpd.folder, 'index.html'), 'utf8')).toContain('Wetherlock')
  // What is the same is not sent again: a host that lists no exact times is asked for them.
  expect((await publish(site, id)).report.counts).toMatchObject({ put: 0, removed: 0 })
  writeFileSync(join(vsftpd.folder, 'index.html'), 'by hand')
  const asked = await publish(site, id)
  expect([asked.state, asked.report.found[0].path]).toEqual(['asks', 'index.html'])
})

test('without TLS by FTP only with a yes to it', async () => {
  const site = await server.api.create()
  const way = {
    ...({ by: 'ftp', server: 'localhost', port: 21, user: 'x', security: 'none', certificate: '' } as const),
    ...{ acceptsPlain: false, folder: '' },
  }
  const refused = await ask(at(site), 'POST', { settings: settings({ way }), secret: {} })
  expect(refused.status).toBe(400)
  expect(refused.text).toMatch(/anybody on the way can read the password/)
  await make(site, settings({ way: { ...way, acceptsPlain: true } }))
})

// RFC 6890: what is not for the whole network.
test.each([
  '127.0.0.1',
  'localhost',
  '10.0.0.1',
  '169.254.169.254',
  '::1',
  '::ffff:127.0.0.1',
  '192.168.1.1',
])('%s is in the server’s own network: nobody is let there', async (name) => {
  const site = await server.api.create()
  const way = { by: 'sftp', server: name, port: 22, user: 'x', login: 'password', folder: '' } as const
  const id = await make(site, settings({ way }), { password: 'x' })
  const { isReached, words } = (await ask(at(site, `/${id}/try`), 'POST')).json
  expect(isReached).toBe(false)
  expect(words).toContain('network of the server itself')
})

test('a page that comes to visitors otherwise than it was sent is told', async () => {
  const site = await server.demo()
  const into = await make(site, settings({ way: { by: 'folder', folder }, address: `http://127.0.0.1:1/` }))
  const publication = await publish(site, into)
  expect(publication.state).toBe('done')
  expect(publication.report.proof.same).toBe(0)
  expect(publication.report.proof.wrong[0].words).toMatch(/could not be requested/)
})

test('a password goes nowhere else: it is forgotten when the host becomes another', async () => {
  const site = await server.api.create()
  const way = {
    ...({ by: 'ftp', server: 'ftp.example.org', port: 21, user: 'me', security: 'tls' } as const),
    ...{ acceptsPlain: false, certificate: '', folder: 'a' },
  }
  const id = await make(site, settings({ way }), { password: PLANTED })
  const kept = async (now: HostSettings['way'], secret?: object) => {
    const body = { settings: settings({ way: now }), ...(secret ? { secret } : {}) }
    expect((await ask(at(site, `/${id}`), 'PUT', body)).status).toBe(204)
    return (await ask(at(site))).json.hosts[0].hasSecret
  }
  expect(await kept({ ...way, folder: 'b', certificate: vsftpd.certificate })).toBe(true)
  expect(await kept({ ...way, server: 'elsewhere.example.org' })).toBe(false)
  expect(await kept(way, { password: PLANTED })).toBe(true)
  expect(await kept({ ...way, port: 2121 })).toBe(false)
  expect(await kept({ ...way, user: 'you' }, { password: PLANTED })).toBe(true)
  const { server: name, port, user, folder: top } = way
  expect(await kept({ by: 'sftp', server: name, port, user, folder: top, login: 'password' })).toBe(false)
})

test('secrets come out nowhere: not in answers, the database, the site file, the archive or messages', async () => {
  const site = await server.demo()
  const key = sshd.privateKey.split('\n')[2]!
  const reached = { server: '127.0.0.1', user: 'x', folder: '' }
  const secret = { password: PLANTED, privateKey: sshd.privateKey, passphrase: PLANTED }
  const sftp = { by: 'sftp', ...reached, port: sshd.port, login: 'password' } as const
  const ftp = { by: 'ftp', ...reached, port: vsftpd.port, security: 'tls', acceptsPlain: false } as const
  const id = await make(site, settings({ way: sftp }), secret)
  await ask(at(site, `/${id}/key`), 'PUT', { hostKey: sshd.hostKey })
  const byFtp = await make(site, settings({ way: { ...ftp, certificate: vsftpd.certificate } }), secret)
  const failed = [await publish(site, id), await publish(site, byFtp)]
  for (const { state, report } of failed)
    expect([state, report.fault]).toEqual(['failed', expect.stringMatching(/does not let x in/)])
  const answers = await Promise.all(
    [
      ...['', `/${byFtp}/publications`, `/${id}/difference`, `/${id}/publications`, `/${id}/kept-aside`].map(
        (path) => at(site, path),
      ),
      ...['', '/site.json', '/history', '/plan.opml'].map((path) => `${server.url}/api/sites/${site}${path}`),
    ].map(async (url) => (await ask(url)).text),
  )
  const archive = Buffer.from(
    await (await fetch(`${server.url}/api/sites/${site}/archive.zip`)).arrayBuffer(),
  )
  const { rows: tables } = await server.database.raw<{ rows: { name: string }[] }>(
    "select table_name as name from information_schema.tables where table_schema = 'public'",
  )
  const stored: string[] = []
  for (const { name } of tables)
    stored.push(JSON.stringify((await server.database.raw(`select t::text as row from "${name}" t`)).rows))
  expect(stored.join()).toContain('127.0.0.1')
  const hex = (text: string) => Buffer.from(text).toString('hex')
  for (const text of [...answers, archive.toString('latin1'), ...stored, JSON.stringify(failed)])
    for (const secret of [PLANTED, key]) {
      expect(text.includes(secret)).toBe(false)
      expect(text.includes(hex(secret))).toBe(false)
    }
})

test.each([
  ['no name', { ...settings(), name: '' }],
  ['an unknown way', { ...settings(), way: { by: 'pigeon' } }],
  [
    'a port that is none',
    settings({ way: { by: 'sftp', server: 'x', port: 70_000, user: 'x', login: 'key', folder: '' } }),
  ],
  ['an address that is none', settings({ address: 'ftp://x' })],
])('a host with %s is refused with the place of the fault', async (_, wrong) => {
  const site = await server.api.create()
  const answer = await ask(at(site), 'POST', { settings: wrong })
  expect(answer.status).toBe(400)
  expect((await ask(at(site, '/none/publications'))).status).toBe(404)
})
