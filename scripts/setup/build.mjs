import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { ROOT } from './paths.mjs'
import { run } from './run.mjs'

const STAMP = `${ROOT}/web/dist/.built-from`

function* sources(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* sources(path)
    else yield path
  }
}

/** Builds the application for the browser, unless it was built from just these sources. */
export function ensureBuilt() {
  const hash = createHash('sha256').update(readFileSync(`${ROOT}/package-lock.json`))
  for (const folder of ['core', 'web']) {
    for (const path of sources(`${ROOT}/${folder}`))
      hash.update(path.slice(ROOT.length)).update(readFileSync(path))
  }
  const wanted = hash.digest('hex')
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return
  console.error('Building the application …')
  run('node', ['../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'], { cwd: `${ROOT}/web` })
  writeFileSync(STAMP, wanted)
}
