import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { ROOT } from './paths.mjs'
import { run } from './run.mjs'

const STAMP = `${ROOT}/node_modules/.installed-for`

/** Installs the npm packages that the lock file names, unless they are there already. */
export function ensurePackages() {
  const wanted = createHash('sha256')
    .update(readFileSync(`${ROOT}/package-lock.json`))
    .digest('hex')
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return
  console.error('Installing npm packages …')
  // No package here needs its install script; what ships binaries ships them as packages.
  run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund'])
  writeFileSync(STAMP, wanted)
}
