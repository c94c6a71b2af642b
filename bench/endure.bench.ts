import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { isDeepStrictEqual } from 'node:util'
import { toSiteData } from '@viatica/core/plan/siteData.ts'
import { apiAt } from '@viatica/server/testing/serve.ts'
import { openGate } from '../e2e/gate.ts'
import { startServer } from '../e2e/server.ts'

/**
 * What happens to edits when things go wrong, counted: servers that are killed, many writers at once, two servers on one
 * database, and a database that goes away. KILLS, WRITES and AWAY_MS in the environment make it longer: `npm run bench endure`.
 */

const KILLS = Number(process.env['KILLS'] ?? 20)
const WRITES = Number(process.env['WRITES'] ?? 200)
const AWAY_MS = Number(process.env['AWAY_MS'] ?? 15_000)
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
  let isOver = false
  const writing = Promise.all(
    ['a', 'b', 'c'].map((who) =>
      write(
        () => url,
        site,
        who,
        Infinity,
        () => isOver,
      ),
    ),
  )
  for (let kill = 0; kill < KILLS; kill++) {
    await wait(200 + 37 * (kill % 9))
    const ended = new Promise((resolve) => server.child.once('exit', resolve))
    server.child.kill('SIGKILL')
    await ended
    server = await startServer(database, port)
  }
  isOver = true
  const confirmed = (await writing).flat()
  report(`${KILLS} kills of the server`, confirmed, await entriesOf(url, site))
  server.child.kill('SIGTERM')
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
