import type { Publication, PublicationState } from '@viatica/core/publish/report.ts'

const STATES: Readonly<Record<PublicationState, string>> = {
  preparing: 'under way',
  sending: 'under way',
  proving: 'under way',
  done: 'published',
  asks: 'stopped before anything was sent',
  stopped: 'stopped',
  failed: 'failed',
  'broken off': 'broken off: the server was stopped',
}

export const stateWords = ({ state }: Publication): string => STATES[state]

const UNITS = ['bytes', 'kB', 'MB', 'GB'] as const

/** A number of bytes for people. */
export function sizeWords(bytes: number): string {
  let [size, unit] = [bytes, 0]
  while (size >= 1000 && unit < UNITS.length - 1) [size, unit] = [size / 1000, unit + 1]
  return `${unit === 0 || size >= 100 ? Math.round(size) : size.toFixed(1)} ${UNITS[unit]}`
}

export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`

/** What a publication did, in one line. */
export function countWords({ report: { counts, proof } }: Publication): string {
  if (!counts) return ''
  const { put, removed, bytes } = counts
  const did = [
    put > 0 && `${counted(put, 'file')} sent (${sizeWords(bytes)})`,
    removed > 0 && `${removed} deleted`,
  ].filter((words) => words !== false)
  const proven = proof && `${proof.same} of ${proof.asked} pages come to visitors as they were sent`
  return [did.join(', ') || 'nothing to send', proven].filter(Boolean).join('; ')
}
