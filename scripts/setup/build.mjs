import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { ROOT } from './paths.mjs'
import { run } from './run.mjs'

function* sources(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist') continue
    const path = `${folder}/${entry.name}`
    if (entry.isDirectory()) yield* sources(path)
    else yield path
  }
}

/** What is built, each in its folder, and the folders whose sources go into it. */
const BUILDS = [
  { folder: 'web', what: 'the screens', from: ['core', 'demo', 'web'] },
  { folder: 'server', what: 'the server', from: ['core', 'demo', 'fonts', 'hosts', 'server'] },
  { folder: 'cli', what: 'the command line', from: ['core', 'fonts', 'hosts', 'cli'] },
]

/** The digest of everything that a build is made of. */
function digestOf(folders) {
  const hash = createHash('sha256')
  for (const path of ['package-lock.json', 'scripts/setup/nodeBuild.mjs'])
    hash.update(readFileSync(`${ROOT}/${path}`))
  for (const folder of folders) {
    for (const path of sources(`${ROOT}/${folder}`))
      hash.update(path.slice(ROOT.length)).update(readFileSync(path))
  }
  return hash.digest('hex')
}

/** Builds what is to be run, all of it or some folders, unless it was built from just these sources. */
export function ensureBuilt(...wantedFolders) {
  for (const { folder, what, from } of BUILDS) {
    if (wantedFolders.length > 0 && !wantedFolders.includes(folder)) continue
    const stamp = `${ROOT}/${folder}/dist/.built-from`
    const wanted = digestOf(from)
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) continue
    console.error(`Building ${what} …`)
    run('node', ['../node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'], {
      cwd: `${ROOT}/${folder}`,
    })
    writeFileSync(stamp, wanted)
  }
}
