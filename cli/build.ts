import { valueFor } from '@viatica/core/standard/present.ts'
import { closeSync, existsSync, mkdirSync, openSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { siteFault } from '@viatica/core/plan/siteFault.ts'
import type { FileSource } from '@viatica/core/formats/archive.ts'
import { usualChoices } from '@viatica/core/publish/choices.ts'
import { publishedFiles } from '@viatica/core/publish/publishedFiles.ts'
import { bytesOfText } from '@viatica/core/formats/textBytes.ts'
import { type Settings, settingSchemas, type Site } from '@viatica/core/plan/site.ts'
import type { Surround } from '@viatica/core/plan/surround/surround.ts'
import { thisYear } from '@viatica/core/standard/date.ts'
import { fontBytes } from '@viatica/fonts/fontFiles.ts'
import * as v from 'valibot'
import { Fault } from './fault.ts'
import { type Input, readInput } from './input.ts'
import { done, type Outcome } from './outcome.ts'
import { parsed } from './parsed.ts'
import { USAGE } from './usage.ts'

/** Which setting each option changes. */
const SETTING_OF = { layout: 'layout', 'base-url': 'baseUrl' } as const
type Options = Readonly<Partial<Record<keyof typeof SETTING_OF | 'menu-depth', string>>>

function changedSettings(options: Options): Partial<Settings> {
  const changed: Record<string, unknown> = {}
  for (const [name, setting] of Object.entries(SETTING_OF)) {
    const text = options[name as keyof typeof SETTING_OF]
    if (text === undefined) continue
    const result = v.safeParse(settingSchemas[setting], text)
    if (!result.success) throw new Fault(`--${name} ${result.issues[0].message}.`)
    changed[setting] = result.output
  }
  return changed
}

/** The surround with so many levels in every menu that follows the plan. */
function changedSurround(surround: Surround, { 'menu-depth': text }: Options): Surround {
  if (text === undefined) return surround
  const depth = [1, 2, 3].find((levels) => String(levels) === text) as 1 | 2 | 3 | undefined
  if (!depth) throw new Fault('--menu-depth must be 1, 2 or 3.')
  return {
    ...surround,
    menus: surround.menus.map((menu) => (menu.kind === 'plan' ? { ...menu, depth } : menu)),
  }
}

const option = { type: 'string' } as const
const parse = (args: readonly string[]) =>
  parsed(args, { out: option, layout: option, 'base-url': option, 'menu-depth': option }, USAGE.build)

function bytesOf(file: FileSource, contents: Input['contents']): Uint8Array {
  if ('text' in file) return bytesOfText(file)
  return 'font' in file ? fontBytes(file.font) : valueFor(contents, file.content)
}

/** Makes a folder with those above it, and adds each that was not there to `made`. */
function makeFolder(path: string, made: string[]): void {
  if (existsSync(path)) return
  makeFolder(dirname(path), made)
  mkdirSync(path)
  made.push(path)
}

/**
 * Writes files, and removes what was not there before where one cannot be written.
 * @param out the folder as the author named it
 * @throws Fault
 */
function writeNew(out: string, files: readonly { readonly path: string; readonly data: Uint8Array }[]): void {
  const made: string[] = []
  try {
    for (const { path, data } of files) {
      makeFolder(dirname(path), made)
      const isNew = !existsSync(path)
      const file = openSync(path, 'w')
      if (isNew) made.push(path)
      try {
        writeFileSync(file, data)
      } finally {
        closeSync(file)
      }
    }
  } catch (error) {
    for (const path of made.reverse()) rmSync(path, { recursive: true, force: true })
    throw new Fault(`${out}: ${(error as Error).message}`)
  }
}

/**
 * `viatica build`: writes the finished site of a site file, an outline or a folder of pages to a folder.
 * @throws Fault for bad input; then nothing was written
 */
export async function build(args: readonly string[], folder: string): Promise<Outcome> {
  const { positionals, values } = parse(args)
  const [file, ...more] = positionals
  if (file === undefined || more.length > 0 || !values.out) throw new Fault(`Usage: ${USAGE.build}`)
  const settings = changedSettings(values)
  const { site, contents } = await readInput(resolve(folder, file))
  // Every page is made before the first is written, so that a fault leaves nothing behind.
  const changed: Site = {
    ...site,
    settings: { ...site.settings, ...settings },
    surround: changedSurround(site.surround, values),
  }
  const fault = siteFault(changed)
  if (fault) throw new Fault(fault)
  const files = [...publishedFiles(changed, thisYear(), usualChoices(changed))].map((output) => ({
    path: join(resolve(folder, values.out!), ...output.path.split('/')),
    data: bytesOf(output, contents),
  }))
  writeNew(values.out, files)
  return done(`${files.length} files written to ${values.out}`)
}
