import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import pg from 'pg'
import { startCluster } from './cluster.mjs'

const NAME = `cluster-test-${process.pid}`

/** Prints every command line that runs on this machine until it is killed. */
const WATCHER = `
  const { readdirSync, readFileSync } = require('node:fs')
  const seen = new Set()
  process.send('ready')
  setInterval(() => {
    for (const id of readdirSync('/proc')) if (/^\\d+$/.test(id)) {
      try { seen.add(readFileSync('/proc/' + id + '/cmdline', 'utf8').replaceAll('\\0', ' ')) } catch {}
    }
  }, 1)
  process.on('message', () => { process.send([...seen]); process.exit() })`

async function rowsOf(url, sql) {
  const client = new pg.Client(url)
  await client.connect()
  try {
    return (await client.query(sql)).rows
  } finally {
    await client.end()
  }
}

let cluster
afterAll(() => cluster?.remove())

test('a cluster is made and started without its password in any command line', async () => {
  const watcher = spawn(process.execPath, ['-e', WATCHER], { stdio: ['ignore', 'inherit', 'inherit', 'ipc'] })
  await once(watcher, 'message')
  cluster = await startCluster(NAME, { fsync: 'off' })
  watcher.send('over')
  const [lines] = await once(watcher, 'message')
  const { password } = new URL(cluster.url)
  expect(password.length).toBeGreaterThan(20)
  expect(lines.some((line) => line.includes('initdb'))).toBe(true)
  expect(lines.filter((line) => line.includes(password))).toEqual([])
})

test('a database that ended is started again, with all that was committed', async () => {
  await rowsOf(cluster.url, 'create table kept as select 7 as number')
  expect(await cluster.revive()).toBe(false)
  const [{ data_directory: data }] = await rowsOf(cluster.url, 'show data_directory')
  process.kill(Number(readFileSync(`${data}/postmaster.pid`, 'utf8').split('\n')[0]), 'SIGKILL')
  await expect(rowsOf(cluster.url, 'select 1')).rejects.toThrow()
  // Its other processes end a little later than the first; `npm start` tries again every few seconds, too.
  let isRevived = false
  for (let tries = 0; !isRevived && tries < 50; tries++) {
    isRevived = await cluster.revive().catch(() => false)
    if (!isRevived) await wait(200)
  }
  expect(isRevived).toBe(true)
  expect(await rowsOf(cluster.url, 'select number from kept')).toEqual([{ number: 7 }])
})
