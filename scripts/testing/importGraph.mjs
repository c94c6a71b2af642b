import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path/posix'
import { ROOT } from '../setup/paths.mjs'

/** Files whose text can name other files. */
const IS_SOURCE = /\.(?:ts|mts|vue|mjs|js|css|html)$/

/**
 * Whatever names a file of the project: an import, `new URL('./thread.mjs', import.meta.url)`, a worker, a path in a style
 * sheet. Too many matches do no harm: what is no file of the project is dropped.
 */
const NAMED = /['"`(]((?:\.{1,2}\/|@viatica\/)[^'"`)\s?]+)/g

/** Programs that are built, and what they are built from: a test that starts one names it without importing anything. */
const BUILT = new Map([
  ['cli/dist/main.mjs', 'cli/main.ts'],
  ['server/dist/main.mjs', 'server/main.ts'],
  ['server/dist/host.mjs', 'hosts/standIn/main.ts'],
])

/** Whether the text of a file names a program that has to be built first. */
export const namesBuilt = (text) => [...BUILT.keys()].some((program) => text.includes(program))

const git = (...args) => execFileSync('git', args, { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 26 })
const lines = (text) => text.split('\0').filter((line) => line !== '')

/**
 * The files of the project, as paths from its folder: those that git tracks, and new ones that it does not ignore. Deleted
 * files are not among them.
 */
export function projectFiles() {
  const deleted = new Set(lines(git('ls-files', '-z', '-d')))
  return new Set(
    lines(git('ls-files', '-z', '-co', '--exclude-standard')).filter((path) => !deleted.has(path)),
  )
}

/** The files that differ from the last commit: changed, new or deleted. */
export const changedFiles = () =>
  lines(git('diff', '--name-only', '--no-renames', '-z', 'HEAD')).concat(
    lines(git('ls-files', '-z', '-o', '--exclude-standard')),
  )

/** The files that the text of a file names. */
export function namedFiles(path, text, files) {
  const named = new Set()
  const folder = path.slice(0, path.lastIndexOf('/') + 1)
  for (const [, name] of text.matchAll(NAMED)) {
    const target = name.startsWith('@viatica/') ? name.slice('@viatica/'.length) : join(folder, name)
    if (files.has(target)) named.add(target)
  }
  for (const [program, source] of BUILT) if (text.includes(program) && files.has(source)) named.add(source)
  return named
}

/** Returns the text of a file of the project. */
export const readFile = (path) => readFileSync(`${ROOT}/${path}`, 'utf8')

/** For each file of the project, the files that name it. */
export function importersOf(files, read = readFile) {
  const importers = new Map()
  for (const path of files) {
    if (!IS_SOURCE.test(path)) continue
    let text
    try {
      text = read(path)
    } catch (error) {
      // A file that is deleted but not committed names nothing.
      if (error.code === 'ENOENT') continue
      throw error
    }
    for (const target of namedFiles(path, text, files)) {
      if (!importers.has(target)) importers.set(target, [])
      importers.get(target).push(path)
    }
  }
  return importers
}

/** Some files with all that reach them by naming each other. */
export function reachedFrom(start, importers) {
  const reached = new Set(start)
  for (const path of reached) for (const importer of importers.get(path) ?? []) reached.add(importer)
  return reached
}
