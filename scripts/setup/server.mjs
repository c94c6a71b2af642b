import { fork } from 'node:child_process'
import { ROOT } from './paths.mjs'
import { programOf } from './run.mjs'

/**
 * Starts the server in a process of its own and waits until it answers.
 * @param env its settings; see server/config.ts
 * @param options `fromSources`: not as it was built
 * @returns its address, what it exits with, and what stops it
 */
export async function startServer(env, { fromSources = false } = {}) {
  const { path, execArgv } = programOf('main.mjs', 'server/main.ts', fromSources)
  const child = fork(path, {
    cwd: ROOT,
    execArgv,
    env: { ...process.env, ...env },
  })
  const exited = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)))
  const port = await new Promise((resolve, reject) => {
    child.once('message', (message) => resolve(message.port))
    void exited.then((code) =>
      reject(new Error(`The server stopped with status ${code} before it answered.`)),
    )
  })
  const url = `http://127.0.0.1:${port}`
  const answer = await fetch(`${url}/api/health`)
  if (!answer.ok) throw new Error(`The server is not well: ${await answer.text()}`)
  return {
    url: `${url}/`,
    exited,
    async stop() {
      child.kill('SIGTERM')
      await exited
    },
  }
}
