/** How a publication stands. */
export const PUBLICATION_STATES = [
  'preparing',
  'sending',
  'proving',
  'done',
  'asks',
  'stopped',
  'failed',
  'broken off',
] as const
export type PublicationState = (typeof PUBLICATION_STATES)[number]

const AT_WORK: ReadonlySet<PublicationState> = new Set(['preparing', 'sending', 'proving'])

/** Whether somebody is at work on a publication. */
export const isAtWork = (state: PublicationState): boolean => AT_WORK.has(state)

/** Those in which somebody is at work on it. */
export const STATES_AT_WORK: readonly PublicationState[] = [...AT_WORK]

/** How far a publication is. */
export interface Progress {
  /** What is being done. */
  readonly stage: 'preparing' | 'looking' | 'sending' | 'proving'
  readonly files: number
  readonly allFiles: number
}

/** A file on a host that is not as a publication left it. */
export interface FoundFile {
  readonly path: string
  /** What a publication had put there; null where none had. */
  readonly was: string | null
  /** What is there now. */
  readonly digest: string
  readonly size: number
}

/** What visitors get of a publication. */
export interface Proof {
  /** How many addresses were asked for. */
  readonly asked: number
  /** Of these, how many came byte for byte. */
  readonly same: number
  /** Pages that do not come to visitors as they were sent, each with what is wrong, for the author. */
  readonly wrong: readonly { readonly path: string; readonly words: string }[]
}

/** What is known of a publication beside its files. */
export interface Report {
  readonly progress?: Progress
  /** What it waits for. */
  readonly waits?: string
  readonly counts?: { readonly put: number; readonly removed: number; readonly bytes: number }
  /** Files of others that it came upon. */
  readonly found?: readonly FoundFile[]
  readonly fault?: string
  readonly proof?: Proof
  /** How many files it has. */
  readonly files?: number
}

/** A publication as it is told. */
export interface Publication {
  readonly id: string
  /** Among those of its host, from 1. */
  readonly number: number
  /** Of the site. */
  readonly revision: number
  /** The number of an earlier one that it is again; null for the site as it was. */
  readonly againOf: number | null
  /** Who published, as they say themselves. */
  readonly by: string
  readonly state: PublicationState
  readonly report: Report
  readonly begunAt: string
  readonly endedAt: string | null
}
