import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const ROOT = fileURLToPath(new URL('../..', import.meta.url))

/** Runs the command line as npm does. @param folder the author's, that paths are named from */
export function viaticaIn(folder: string, ...args: string[]) {
  const { status, stdout, stderr } = spawnSync('node', ['cli/dist/main.mjs', ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '', INIT_CWD: folder },
  })
  return { status, stdout, stderr }
}
