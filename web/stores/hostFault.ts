import { type HostSettings, hostSettingsSchema, type WayToHost } from '@viatica/core/publish/host.ts'
import * as v from 'valibot'

type Keys<Union> = Union extends unknown ? keyof Union : never

/** The fields of a host, as they are labelled. */
const LABELS: Readonly<Record<keyof HostSettings | Keys<WayToHost>, string>> = {
  name: 'Name',
  way: 'Connection',
  address: 'Public URL',
  choices: 'Also publish',
  by: 'Connection',
  folder: 'Folder',
  server: 'Server',
  port: 'Port',
  user: 'User name',
  login: 'Log in with',
  security: 'Encryption',
  acceptsPlain: 'Encryption',
  certificate: 'Trusted certificate',
}

/** What is wrong with the settings of a host, for its author; empty when nothing is. */
export function hostFault(settings: HostSettings): string {
  const result = v.safeParse(hostSettingsSchema, settings)
  if (result.success) return ''
  const { message, path = [] } = result.issues[0]
  const field = String(path.at(-1)?.key) as keyof typeof LABELS
  return `${LABELS[field]}: ${message}.`
}
