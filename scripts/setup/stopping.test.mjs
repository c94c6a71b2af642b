import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { setTimeout as wait } from 'node:timers/promises'

const STOPPING = new URL('./stopping.mjs', import.meta.url).href
/** A program that ends when it is asked to; it says its number first. */
const PROGRAM = `
  const { stopSignal, untilStopped } = await import('${STOPPING}')
  const signal = stopSignal()
  const alive = setInterval(() => {}, 1000)
  console.log(process.pid)
  await untilStopped(signal)
  clearInterval(alive)`
/** What stands between, as npm does: it starts the program and passes on nothing. */
const BETWEEN = `
  const { spawn } = require('node:child_process')
  const env = { ...process.env, npm_lifecycle_event: 'start', PROGRAM: ${JSON.stringify(PROGRAM)} }
  // A shell stands between that does not give way to what it runs.
  spawn('sh', ['-c', '"' + process.execPath + '" --input-type=module -e "$PROGRAM"; true'], { stdio: 'inherit', env })
  setInterval(() => {}, 1000)`

const isRunning = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch {
    return false
  }
}

async function ends(pid) {
  for (let tries = 0; tries < 100 && isRunning(pid); tries++) await wait(50)
  return !isRunning(pid)
}

async function start(args) {
  const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] })
  const [text] = await once(child.stdout, 'data')
  return { child, pid: Number(text) }
}

test.each(['SIGINT', 'SIGTERM', 'SIGHUP'])('what gets %s itself ends', async (signal) => {
  const { pid } = await start(['--input-type=module', '-e', PROGRAM])
  process.kill(pid, signal)
  expect(await ends(pid)).toBe(true)
})

test.each(['SIGTERM', 'SIGHUP', 'SIGKILL'])('what npm started ends when only npm gets %s', async (signal) => {
  const { child, pid } = await start(['-e', BETWEEN])
  expect(isRunning(pid)).toBe(true)
  child.kill(signal)
  expect(await ends(pid)).toBe(true)
})
