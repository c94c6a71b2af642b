import { readFileSync } from 'node:fs'
import { createInterface } from 'node:readline/promises'
import { Writable } from 'node:stream'
import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import { isLocked } from '@viatica/hosts/connection/sftp.ts'
import { Fault } from '../fault.ts'

const isAtTerminal = () => process.stdin.isTTY && process.stderr.isTTY

/** Asks at the terminal. @param isSecret whether what is typed stays hidden */
async function ask(question: string, isSecret: boolean): Promise<string> {
  let isHidden = false
  const output = new Writable({
    write(part: Buffer, _, done) {
      if (!isHidden) process.stderr.write(part)
      done()
    },
  })
  const terminal = createInterface({ input: process.stdin, output, terminal: true })
  const stop = new AbortController()
  terminal.once('SIGINT', () => stop.abort())
  try {
    const answer = terminal.question(question, { signal: stop.signal })
    isHidden = isSecret
    return await answer
  } catch (error) {
    if (stop.signal.aborted) throw new Fault('Stopped: nothing was sent.')
    throw error
  } finally {
    terminal.close()
    if (isSecret) process.stderr.write('\n')
  }
}

/** A secret from the environment, else from the terminal: never from the command line, which others can read. */
async function secret(variable: string, what: string): Promise<string> {
  const given = process.env[variable]
  if (given !== undefined) return given
  if (!isAtTerminal()) throw new Fault(`${what} is needed: ${variable} holds it, or type it at a terminal.`)
  return ask(`${what}: `, true)
}

function readKey(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch (error) {
    throw new Fault(`--key ${file}: ${(error as Error).message}`)
  }
}

/**
 * What opens a host.
 * @param key the file of a private key
 * @throws Fault when it is not there and cannot be asked for
 */
export async function secretsOf({ way }: HostSettings, key: string | undefined): Promise<HostSecret> {
  if (way.by === 'folder' || way.by === 'stand-in') return {}
  if (key === undefined)
    return { password: await secret('VIATICA_PASSWORD', `The password of ${way.user} at ${way.server}`) }
  const privateKey = readKey(key)
  return isLocked(privateKey)
    ? { privateKey, passphrase: await secret('VIATICA_PASSPHRASE', `The passphrase of ${key}`) }
    : { privateKey }
}

/** Whether the author says yes at the terminal. @returns undefined where nobody can be asked */
export async function saysYes(question: string): Promise<boolean | undefined> {
  if (!isAtTerminal()) return undefined
  return /^y(?:es)?$/i.test((await ask(`${question} [yes/no] `, false)).trim())
}
