import { mkdirSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { outputFiles } from '@viatica/core/formats/archive.ts'
import { type Settings, settingSchemas } from '@viatica/core/plan/site.ts'
import * as v from 'valibot'
import { Fault } from './fault.ts'
import { readInput } from './input.ts'

export const BUILD_USAGE =
  'viatica build FILE --out DIR [--layout flat|nested|folders] [--base-url URL] [--menu-depth 1|2]'

/** Which setting each option changes, and how its text is read. */
const OPTIONS = {
  layout: { setting: 'layout', read: String },
  'base-url': { setting: 'baseUrl', read: String },
  'menu-depth': { setting: 'menuDepth', read: Number },
} as const
type OptionName = keyof typeof OPTIONS

function changedSettings(values: Readonly<Partial<Record<OptionName, string>>>): Partial<Settings> {
  const changed: Record<string, unknown> = {}
  for (const [name, { setting, read }] of Object.entries(OPTIONS)) {
    const text = values[name as OptionName]
    if (text === undefined) continue
    const result = v.safeParse(settingSchemas[setting], read(text))
    if (!result.success) throw new Fault(`--${name} ${result.issues[0].message}.`)
    changed[setting] = result.output
  }
  return changed
}

function parse(args: readonly string[]) {
  try {
    const option = { type: 'string' } as const
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: { out: option, layout: option, 'base-url': option, 'menu-depth': option },
    })
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('. ')[0]}. Usage: ${BUILD_USAGE}`)
  }
}

/**
 * `viatica build`: writes the finished site of a site file or outline to a folder.
 * @returns what was done, in words
 * @throws Fault for bad input; then nothing was written
 */
export function build(args: readonly string[], folder: string): string {
  const { positionals, values } = parse(args)
  const [file, ...more] = positionals
  if (file === undefined || more.length > 0 || !values.out) throw new Fault(`Usage: ${BUILD_USAGE}`)
  const settings = changedSettings(values)
  const { site, contents } = readInput(resolve(folder, file))
  // Every page is made before the first is written, so that a fault leaves nothing behind.
  const files = [...outputFiles({ ...site, settings: { ...site.settings, ...settings } })].map((output) => ({
    path: join(resolve(folder, values.out!), ...output.path.split('/')),
    data: 'text' in output ? output.text() : contents.get(output.content)!,
  }))
  try {
    for (const { path, data } of files) {
      mkdirSync(dirname(path), { recursive: true })
      writeFileSync(path, data)
    }
  } catch (error) {
    throw new Fault(`${values.out}: ${(error as Error).message}`)
  }
  return `${files.length} files written to ${values.out}`
}
