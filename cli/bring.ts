import { renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { broughtIntoLine } from '@viatica/core/existing/decide.ts'
import { MAX_SITE_FILE, writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import { Fault } from './fault.ts'
import { bringFolder, isFolder, readFolderFiles, readZipFiles } from './folder.ts'

export const BRING_USAGE = 'viatica bring DIR or ZIP --out FILE [--report FILE] [--fix all] [--json]'

const HELP = `${BRING_USAGE}

Takes a folder of existing pages in, or a zip archive of one, and writes it as a site file.

  --out FILE     the site file to write
  --report FILE  what was found, as JSON: pages, menus, templates, drift
  --fix all      brings every drift into line
  --json         prints the report, and nothing else`

function parse(args: readonly string[]) {
  try {
    const text = { type: 'string' } as const
    const flag = { type: 'boolean' } as const
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { out: text, report: text, fix: text, json: flag, help: flag },
    })
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('. ')[0]}. Usage: ${BRING_USAGE}`)
  }
}

/** Writes files beside their places first, so that none is there half. */
function writeAll(files: readonly { readonly path: string; readonly text: string }[]): void {
  const beside = files.map(({ path }) => `${path}.part`)
  try {
    files.forEach(({ text }, at) => writeFileSync(beside[at]!, text))
    files.forEach(({ path }, at) => renameSync(beside[at]!, path))
  } catch (error) {
    for (const path of beside) rmSync(path, { force: true })
    throw new Fault((error as Error).message)
  }
}

const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`

/**
 * `viatica bring`: a folder of existing pages as a site file, with what was found.
 * @returns what is to be printed
 * @throws Fault for bad input; then nothing was written
 */
export async function bringCommand(args: readonly string[], folder: string): Promise<string> {
  const { positionals, values } = parse(args)
  if (values.help) return HELP
  const [from, ...more] = positionals
  if (from === undefined || more.length > 0 || !values.out) throw new Fault(`Usage: ${BRING_USAGE}`)
  if (values.fix !== undefined && values.fix !== 'all') throw new Fault('--fix must be all.')
  const path = resolve(folder, from)
  if (!statSync(path, { throwIfNoEntry: false }))
    throw new Fault(`${from}: There is no such folder or archive.`)
  const files = isFolder(path) ? await readFolderFiles(path) : await readZipFiles(path, from)
  const { site, choices, contents, report } = bringFolder(files, from)
  const taken = values.fix ? broughtIntoLine(site, choices) : site
  const fault = siteFault(taken)
  if (fault) throw new Fault(`${from}: ${fault}`)
  const base64 = new Map([...contents].map(([key, bytes]) => [key, Buffer.from(bytes).toString('base64')]))
  const text = writeSiteFile(taken, base64)
  if (text.length > MAX_SITE_FILE) throw new Fault(`${from}: This is more than a site file can hold.`)
  const json = `${JSON.stringify(report, null, 2)}\n`
  writeAll([
    { path: resolve(folder, values.out), text },
    ...(values.report ? [{ path: resolve(folder, values.report), text: json }] : []),
  ])
  if (values.json) return json.trimEnd()
  const { pages, drift, templates } = report
  return [
    `${counted(pages.length, 'page')} with ${counted(templates.length, 'template')}, ${counted(contents.size, 'other file')}, written to ${values.out}`,
    ...(values.fix
      ? [`${counted(drift.length, 'difference')} between the pages, brought into line where it can be done`]
      : [`${counted(drift.length, 'difference')} between the pages`]),
  ].join('\n')
}
