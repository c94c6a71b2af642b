import { type ChildProcess, fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/**
 * Starts the server as npm start does, as a process of its own.
 * @param port 0 leaves it to the system
 * @param settings beside these; see server/config.ts
 */
export async function startServer(
  databaseUrl: string,
  port: number,
  settings: Readonly<Record<string, string>> = {},
): Promise<{ child: ChildProcess; port: number }> {
  const child = fork(`${ROOT}/server/dist/main.mjs`, {
    cwd: ROOT,
    execArgv: ['--enable-source-maps', '--heap-growing-percent=30'],
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port), LOG_LEVEL: 'error', ...settings },
  })
  const said = await new Promise<{ port: number }>((resolve, reject) => {
    child.once('message', (message) => resolve(message as { port: number }))
    child.once('exit', (code) => reject(new Error(`the server stopped with status ${code}`)))
  })
  return { child, port: said.port }
}
