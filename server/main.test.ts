import { type ChildProcess, fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import type { Change } from '@viatica/core/plan/change/change.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { makeDatabase, type TestDatabase } from './testing/database.ts'
import { apiAt, ask } from './testing/serve.ts'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

let database: TestDatabase
let child: ChildProcess | undefined
beforeAll(async () => {
  database = await makeDatabase()
})
afterAll(async () => {
  child?.kill('SIGKILL')
  await database.drop()
})

/** Starts the server as npm start does. */
async function start(): Promise<string> {
  child = fork(`${ROOT}/server/dist/main.mjs`, {
    cwd: ROOT,
    execArgv: ['--enable-source-maps'],
    env: { ...process.env, NODE_OPTIONS: '', DATABASE_URL: database.url, PORT: '0', LOG_LEVEL: 'error' },
  })
  const { port } = await new Promise<{ port: number }>((resolve, reject) => {
    child!.once('message', (message) => resolve(message as { port: number }))
    child!.once('exit', (code) => reject(new Error(`the server stopped with status ${code}`)))
  })
  return `http://127.0.0.1:${port}`
}

async function end(signal: NodeJS.Signals): Promise<number | null> {
  const stopped = new Promise<number | null>((resolve) => child!.once('exit', (code) => resolve(code)))
  child!.kill(signal)
  return stopped
}

const added = (n: number): Change => ({
  kind: 'add',
  parent: 'home',
  place: n,
  branches: [
    {
      kind: 'group',
      id: `g${n}`,
      label: `Group ${n}`,
      fileName: '',
      note: '',
      inMenu: true,
      entries: [],
    },
  ],
})

test('kill -9 between and during changes loses nothing that was confirmed', async () => {
  let url = await start()
  const [{ id }] = (await ask(`${url}/api/sites`)).json.sites
  const confirmed: number[] = []
  for (let round = 0; round < 3; round++) {
    const api = apiAt(url)
    const { revision } = await api.read(id)
    for (let n = 0; n < 5; n++) {
      const number = round * 10 + n
      const { status } = await api.post(id, revision + n, added(number))
      if (status === 200) confirmed.push(number)
    }
    // One more is on its way while the server dies: it is there whole, or not at all.
    const onItsWay = api.post(id, revision + 5, added(round * 10 + 9)).then(
      ({ status }) => status === 200 && confirmed.push(round * 10 + 9),
      () => undefined,
    )
    await end('SIGKILL')
    await onItsWay
    url = await start()
  }
  const { site, revision } = await apiAt(url).read(id)
  const ids = [...walk(site.plan)].map(({ entry }) => entry.id)
  expect(confirmed.length).toBeGreaterThanOrEqual(15)
  for (const number of confirmed) expect(ids).toContain(`g${number}`)
  const groups = ids.filter((one) => /^g\d+$/.test(one))
  expect(groups).toHaveLength(revision)
})

test('is loaded with the two sites of the demo once, and stops in good order when asked to', async () => {
  await end('SIGKILL')
  const url = await start()
  expect((await ask(`${url}/api/sites`)).json.sites).toHaveLength(2)
  expect(await end('SIGTERM')).toBe(0)
})

test('two servers that start together on an empty database load the demo once', async () => {
  const empty = await makeDatabase()
  const begin = () =>
    fork(`${ROOT}/server/dist/main.mjs`, {
      cwd: ROOT,
      execArgv: ['--enable-source-maps'],
      env: { ...process.env, NODE_OPTIONS: '', DATABASE_URL: empty.url, PORT: '0', LOG_LEVEL: 'error' },
    })
  const servers = [begin(), begin()]
  const ports = await Promise.all(
    servers.map(
      (one) =>
        new Promise<number>((resolve) =>
          one.once('message', (said) => resolve((said as { port: number }).port)),
        ),
    ),
  )
  for (const port of ports)
    expect((await ask(`http://127.0.0.1:${port}/api/sites`)).json.sites).toHaveLength(2)
  const ended = servers.map((one) => new Promise((resolve) => one.once('exit', resolve)))
  for (const one of servers) one.kill('SIGKILL')
  await Promise.all(ended)
  await empty.drop()
})
