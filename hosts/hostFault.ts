/** What can be wrong with a host, each with its own words and its own way out. */
export const HOST_FAULTS = [
  'name',
  'own network',
  'port',
  'key',
  'certificate',
  'login',
  'folder',
  /** The folder of the site does not exist, and could be created. */
  'no folder',
  'rights',
  'in the way',
  'renaming',
  'not stored',
  'lost',
  'asks',
  'busy',
] as const
export type HostFaultKind = (typeof HOST_FAULTS)[number]

/** Something is wrong with a host; the message says what, where, and what to do. It never holds a secret. */
export class HostFault extends Error {
  override name = 'HostFault'

  constructor(
    readonly kind: HostFaultKind,
    message: string,
    /** Of a certificate or key that is not trusted yet: what the author can say yes to. */
    readonly fingerprint = '',
  ) {
    super(message)
  }
}

/** Whether it may help to connect again and to go on. */
export const isLost = (error: unknown): boolean => error instanceof HostFault && error.kind === 'lost'
