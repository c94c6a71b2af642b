import { randomUUID } from 'node:crypto'
import { mkdir, mkdtemp, readdir, readFile, rm } from 'node:fs/promises'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { isDeepStrictEqual } from 'node:util'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { planOfBranch } from '@viatica/core/plan/branch.ts'
import { siteWith } from '@viatica/core/plan/site.ts'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { apiAt } from '@viatica/server/testing/serve.ts'
import { openGate } from '../e2e/gate.ts'
import { startServer } from '../e2e/server.ts'
import { startCluster } from '../scripts/setup/cluster.mjs'
import { makeBranch } from './makeBranch.ts'

/**
 * What happens when things go wrong, counted: servers that are killed while they edit and publish, a
 * PostgreSQL that is killed, many writers at once, two
 * servers on one database, a database that goes away, and wrong keys. KILLS, WRITES, AWAY_MS, PUBLISHED and WRONG_KEYS in the
 * environment make it longer: `npm run bench endure`.
 */

const KILLS = Number(process.env['KILLS'] ?? 20)
const WRITES = Number(process.env['WRITES'] ?? 200)
const AWAY_MS = Number(process.env['AWAY_MS'] ?? 15_000)
/** Pages of the site that is published. */
const PUBLISHED = Number(process.env['PUBLISHED'] ?? 300)
/** Hosts that are published to in turns. */
const HOSTS = 12
const WRONG_KEYS = Number(process.env['WRONG_KEYS'] ?? 5000)
const WRITERS = 8

const database = process.env['VIATICA_BENCH_DATABASE']!
const group = (id: string) => ({
  kind: 'add',
  parent: 'home',
  place: 0,
  branches: [{ kind: 'group', id, label: id }],
})
const entriesOf = async (url: string, site: string) =>
  new Set((await apiAt(url).read(site)).site.plan.entries.keys())

/** Posts until told to stop, again and again where no answer came. @returns the ids of what was confirmed */
async function write(url: () => string, site: string, who: string, count: number, isOver = () => false) {
  const confirmed: string[] = []
  for (let n = 0; n < count && !isOver(); n++) {
    const id = `${who}-${n}`
    const edit = randomUUID()
    for (let tries = 0; tries < 600; tries++) {
      const answer = await apiAt(url())
        .post(site, 0, group(id), edit)
        .catch(() => undefined)
      if (answer?.status === 200) {
        confirmed.push(id)
        break
      }
      await wait(50)
    }
  }
  return confirmed
}

/** Lets three write until they are stopped. @returns what stops them, and gives the ids of what was confirmed */
function threeWriters(url: string, site: string): () => Promise<string[]> {
  let isOver = false
  const writing = ['a', 'b', 'c'].map((who) =>
    write(
      () => url,
      site,
      who,
      Infinity,
      () => isOver,
    ),
  )
  return async () => {
    isOver = true
    return (await Promise.all(writing)).flat()
  }
}

function report(words: string, confirmed: readonly string[], there: ReadonlySet<string>, more = ''): void {
  const lost = confirmed.filter((id) => !there.has(id)).length
  console.log(`${words}: ${confirmed.length} edits confirmed, ${lost} lost${more}`)
  if (lost > 0) process.exitCode = 1
}

// Servers that are killed in the middle of it.
{
  let server = await startServer(database, 0)
  const { port } = server
  const url = `http://127.0.0.1:${port}`
  const site = await apiAt(url).create('Killed')
  const stopWriting = threeWriters(url, site)
  for (let kill = 0; kill < KILLS; kill++) {
    await wait(200 + 37 * (kill % 9))
    const ended = new Promise((resolve) => server.child.once('exit', resolve))
    server.child.kill('SIGKILL')
    await ended
    server = await startServer(database, port)
  }
  const confirmed = await stopWriting()
  report(`${KILLS} kills of the server`, confirmed, await entriesOf(url, site))
  server.child.kill('SIGTERM')
}

// PostgreSQL that is killed in the middle of it, with the durability that it has by itself.
{
  const cluster = await startCluster(`endure-${process.pid}`)
  const server = await startServer(cluster.url, 0)
  const url = `http://127.0.0.1:${server.port}`
  const site = await apiAt(url).create('PostgreSQL killed')
  const stopWriting = threeWriters(url, site)
  let kills = 0
  for (; kills < KILLS; kills++) {
    await wait(200 + 37 * (kills % 9))
    await cluster.kill()
    // It starts only when the processes of the one before have ended.
    for (let tries = 0; ; tries++) {
      await wait(100)
      try {
        await cluster.revive()
        break
      } catch (error) {
        if (tries === 50) throw error
      }
    }
  }
  const confirmed = await stopWriting()
  report(`${kills} kills of PostgreSQL`, confirmed, await entriesOf(url, site))
  const gone = new Promise((resolve) => server.child.once('exit', resolve))
  server.child.kill('SIGTERM')
  await gone
  cluster.remove()
}

// Many writers, on two servers that share a database.
{
  const servers = [await startServer(database, 0), await startServer(database, 0)]
  const urls = servers.map(({ port }) => `http://127.0.0.1:${port}`)
  const site = await apiAt(urls[0]!).create('Many writers')
  const start = performance.now()
  const confirmed = (
    await Promise.all(
      Array.from({ length: WRITERS }, (_, n) => write(() => urls[n % 2]!, site, `w${n}`, WRITES)),
    )
  ).flat()
  const seconds = ((performance.now() - start) / 1000).toFixed(1)
  const [one, other] = [await apiAt(urls[0]!).read(site), await apiAt(urls[1]!).read(site)]
  const same = isDeepStrictEqual(toSiteData(one.site), toSiteData(other.site))
  report(
    `${WRITERS} writers × ${WRITES} on two servers`,
    confirmed,
    await entriesOf(urls[0]!, site),
    `, in ${seconds} s; revision ${one.revision}, both servers show ${same ? 'the same' : 'DIFFERENT SITES'}`,
  )
  if (!same || one.revision !== confirmed.length) process.exitCode = 1
  for (const { child } of servers) child.kill('SIGTERM')
}

// A database that goes away and comes back.
{
  const gate = await openGate(database)
  const { child, port } = await startServer(gate.url, 0)
  const url = `http://127.0.0.1:${port}`
  const site = await apiAt(url).create('Without a database')
  let isOver = false
  const writing = write(
    () => url,
    site,
    'x',
    Infinity,
    () => isOver,
  )
  await wait(1000)
  await gate.shut()
  await wait(AWAY_MS)
  await gate.reopen()
  await wait(3000)
  isOver = true
  report(`${AWAY_MS / 1000} s without a database`, await writing, await entriesOf(url, site))
  child.kill('SIGTERM')
  await gate.remove()
}

// Publications into a folder, whose server is killed in the middle: every page there stays a whole one, old or new.
{
  const folder = await mkdtemp(join(tmpdir(), 'endure-'))
  const start = (port: number) => startServer(database, port, { VIATICA_FOLDERS: folder })
  let server = await start(0)
  const { port } = server
  const url = `http://127.0.0.1:${port}`
  const send = async (path: string, body: string, type = 'application/json') => {
    const answer = await fetch(url + path, { method: 'POST', body, headers: { 'content-type': type } })
    return { status: answer.status, json: (await answer.json()) as { id: string } }
  }
  const site = siteWith({ layout: 'nested', name: 'Published' }, planOfBranch(makeBranch(PUBLISHED)))
  const file = writeSiteFile(site, new Map())
  const { id } = (await send('/api/sites', file, 'application/vnd.viatica.site+json')).json
  const choices = { sitemap: true, robots: true, redirectPages: true, rules: 'none', includes: 'none' }
  const hosts = `/api/sites/${id}/hosts`
  // In turns: a publication whose server was killed holds its host for half a minute.
  const turns: { readonly top: string; readonly publications: string }[] = []
  for (let n = 0; n < HOSTS; n++) {
    const top = join(folder, String(n))
    await mkdir(top)
    const settings = { name: `Folder ${n}`, way: { by: 'folder', folder: top }, address: '', choices }
    const host = (await send(hosts, JSON.stringify({ settings, secret: {} }))).json.id
    turns.push({ top, publications: `${hosts}/${host}/publications` })
  }
  const state = async (publications: string) => {
    const answer = await fetch(url + publications)
    return ((await answer.json()) as { publications: { state: string }[] }).publications[0]?.state ?? ''
  }
  /** Begins a publication, once that of a server that was killed is known to be over. */
  const publish = async (publications: string) => {
    while ((await send(publications, '{"by":"","letGo":[]}')).status === 409) await wait(250)
  }
  const isOver = async (at: string) => !/preparing|sending|proving/.test(await state(at))
  let [halves, cut] = [0, 0]
  const countHalves = async () => {
    for (const entry of await readdir(folder, { recursive: true, withFileTypes: true }))
      if (entry.isFile() && entry.name.endsWith('.html') && !entry.name.startsWith('.new-')) {
        const text = await readFile(join(entry.parentPath, entry.name), 'utf8')
        if (!text.endsWith('</html>\n')) halves++
      }
  }
  for (let kill = 0; kill < KILLS; kill++) {
    const change = { kind: 'setSite', field: 'name', value: `Published ${kill}` }
    await send(`/api/sites/${id}/changes`, JSON.stringify({ id: randomUUID(), base: kill, change }))
    const { publications } = turns[kill % HOSTS]!
    await publish(publications)
    // At another moment each time: while it prepares, sends, and after.
    await wait(300 + 97 * (kill % 17))
    if (!(await isOver(publications))) cut++
    const ended = new Promise((resolve) => server.child.once('exit', resolve))
    server.child.kill('SIGKILL')
    await ended
    await countHalves()
    server = await start(port)
  }
  const last: string[] = []
  for (const { top, publications } of turns) {
    await publish(publications)
    while (!(await isOver(publications))) await wait(100)
    const isNew = (await readFile(join(top, 'index.html'), 'utf8')).includes(`Published ${KILLS - 1}`)
    last.push(isNew ? await state(publications) : 'an old site')
  }
  await countHalves()
  const names = await readdir(folder, { recursive: true })
  const leftovers = names.filter((name) => name.includes('.new-')).length
  console.log(
    `${KILLS} kills of publications of ${PUBLISHED} pages, ${cut} in their middle: ${halves} half pages, ` +
      `${leftovers} leftovers; the next ones: ${last.join(', ')}`,
  )
  if (halves > 0 || leftovers > 0 || last.some((one) => one !== 'done')) process.exitCode = 1
  server.child.kill('SIGTERM')
  await rm(folder, { recursive: true })
}

// Wrong access keys, as headers and as sign-ins; then the right one from another address.
{
  const key = 'endures-all-of-them'
  const { child, port } = await startServer(database, 0, { VIATICA_ACCESS_KEY: key })
  const ask = (sent: string, from: string, isHeader: boolean) =>
    new Promise<number>((resolve, reject) => {
      const where = isHeader
        ? { path: '/api/sites', headers: { authorization: `Bearer ${sent}` } }
        : { path: '/api/access', method: 'POST', headers: { 'content-type': 'application/json' } }
      const asking = request({ host: '127.0.0.1', port, localAddress: from, ...where }, (answer) => {
        answer.resume()
        answer.once('end', () => resolve(answer.statusCode!))
      })
      asking.once('error', reject)
      asking.end(isHeader ? '' : JSON.stringify({ key: sent }))
    })
  const counts = new Map<number, number>()
  const start = performance.now()
  for (let n = 0; n < WRONG_KEYS; n += 10)
    for (const status of await Promise.all(
      Array.from({ length: 10 }, (_, k) => ask(`wrong-${n + k}`, `127.0.0.${2 + (k % 5)}`, k % 2 === 0)),
    ))
      counts.set(status, (counts.get(status) ?? 0) + 1)
  const seconds = ((performance.now() - start) / 1000).toFixed(1)
  const right = await ask(key, '127.0.0.99', true)
  const answers = [...counts].map(([status, count]) => `${count} × ${status}`).join(', ')
  console.log(
    `${WRONG_KEYS} wrong keys from 5 addresses in ${seconds} s: ${answers}; then the right one: ${right}`,
  )
  if ((counts.get(401) ?? 0) > 110 || right !== 200) process.exitCode = 1
  child.kill('SIGTERM')
}
