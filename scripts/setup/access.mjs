import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { LOCAL } from './paths.mjs'

/** As server/config.ts has it. */
const isLoopback = (host) => /^(localhost|127\.\d+\.\d+\.\d+|::1|\[::1\])$/.test(host)

/**
 * The key that whoever comes in must have: the one that is set, or, where the server can be reached from other machines,
 * one that is made at first and kept in a file that only its owner can read.
 * @returns the key, and the file that it is in; both undefined where none is needed
 */
export function accessKey({ HOST = '127.0.0.1', VIATICA_ACCESS_KEY }) {
  if (VIATICA_ACCESS_KEY || isLoopback(HOST)) return { key: VIATICA_ACCESS_KEY, file: undefined }
  const file = `${LOCAL}/access-key`
  mkdirSync(LOCAL, { recursive: true })
  if (!existsSync(file)) writeFileSync(file, `${randomBytes(24).toString('base64url')}\n`, { mode: 0o600 })
  chmodSync(file, 0o600)
  return { key: readFileSync(file, 'utf8').trim(), file }
}
