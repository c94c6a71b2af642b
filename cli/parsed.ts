import { parseArgs, type ParseArgsConfig } from 'node:util'
import { Fault } from './fault.ts'

/** What was typed after a command. @throws Fault with how the command is used */
export function parsed<const Options extends NonNullable<ParseArgsConfig['options']>>(
  args: readonly string[],
  options: Options,
  usage: string,
) {
  try {
    return parseArgs({ args: [...args], allowPositionals: true as const, options })
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('. ')[0]}. Usage: ${usage}`)
  }
}
