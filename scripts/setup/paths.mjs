import { fileURLToPath } from 'node:url'

/** The folder of the project, without a slash at its end. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '')

/** What the project keeps on this machine and git ignores: its database, what it remembers. */
export const LOCAL = `${ROOT}/.viatica`
