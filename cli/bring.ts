import { statSync } from 'node:fs'
import { resolve } from 'node:path'
import { broughtIntoLine } from '@viatica/core/existing/decide.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { Fault } from './fault.ts'
import { bringFolder, isFolder, readFolderFiles, readZipFiles } from './folder.ts'
import { done, type Outcome } from './outcome.ts'
import { parsed } from './parsed.ts'
import { USAGE } from './usage.ts'
import { checkOpens, siteFileOf, writeAll } from './siteFile.ts'

const HELP = `${USAGE.bring}

Takes a folder of existing pages in, or a zip archive of one, and writes it as a site file.

  --out FILE     the site file to write
  --report FILE  what was found, as JSON: pages, menus, templates, drift
  --fix all      brings every drift into line
  --json         prints the report, and nothing else`

const text = { type: 'string' } as const
const flag = { type: 'boolean' } as const
const parse = (args: readonly string[]) =>
  parsed(args, { out: text, report: text, fix: text, json: flag, help: flag }, USAGE.bring)

const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`

/**
 * `viatica bring`: a folder of existing pages as a site file, with what was found.
 * @throws Fault for bad input; then nothing was written
 */
export async function bringCommand(args: readonly string[], folder: string): Promise<Outcome> {
  const { positionals, values } = parse(args)
  if (values.help) return done(HELP)
  const [from, ...more] = positionals
  if (from === undefined || more.length > 0 || !values.out) throw new Fault(`Usage: ${USAGE.bring}`)
  if (values.fix !== undefined && values.fix !== 'all') throw new Fault('--fix must be all.')
  const path = resolve(folder, from)
  if (!statSync(path, { throwIfNoEntry: false }))
    throw new Fault(`${from}: There is no such folder or archive.`)
  const files = isFolder(path) ? await readFolderFiles(path) : await readZipFiles(path, from)
  const { site, choices, contents, report } = bringFolder(files, from)
  const taken = values.fix ? broughtIntoLine(site, choices) : site
  const fault = siteFault(taken)
  if (fault) throw new Fault(`${from}: ${fault}`)
  const json = `${JSON.stringify(report, null, 2)}\n`
  const data = siteFileOf(taken, contents)
  checkOpens(data, from)
  writeAll([
    { path: resolve(folder, values.out), data },
    ...(values.report ? [{ path: resolve(folder, values.report), data: json }] : []),
  ])
  if (values.json) return done(json.trimEnd())
  const { pages, drift, templates } = report
  const inSite = new Set(report.files.map((file) => file.path))
  const leftOut = report.leftover.filter((one) => !inSite.has(one.path))
  const lines = [
    `${counted(pages.length, 'page')} with ${counted(templates.length, 'template')}, ${counted(contents.size, 'other file')}, written to ${values.out}`,
    ...(values.fix
      ? [`${counted(drift.length, 'difference')} between the pages, brought into line where it can be done`]
      : [`${counted(drift.length, 'difference')} between the pages`]),
    ...leftOut.map((one) => `${JSON.stringify(one.path)}: ${one.reason}`),
  ]
  return done(lines.join('\n'))
}
