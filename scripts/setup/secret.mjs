import { randomBytes } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { LOCAL } from './paths.mjs'

/** What passwords of hosts are kept under: the one that is set, or one that is made at first, in a file outside the database. */
export function hostSecret({ VIATICA_SECRET }) {
  if (VIATICA_SECRET) return VIATICA_SECRET
  const file = `${LOCAL}/host-secret`
  mkdirSync(LOCAL, { recursive: true })
  if (!existsSync(file)) writeFileSync(file, `${randomBytes(32).toString('base64url')}\n`, { mode: 0o600 })
  chmodSync(file, 0o600)
  return readFileSync(file, 'utf8').trim()
}
