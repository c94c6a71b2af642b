import { type ReadAnswer, readAnswer } from '@viatica/core/protocol/sites.ts'
import { request } from './request.ts'

/** An answer that was asked for longer ago is not taken: others may have changed the site. */
const FRESH_MS = 5000

let ahead: { id: string; at: number; answer: Promise<ReadAnswer> } | undefined

/** Asks for a site that is about to be opened, while its screen is still being fetched. */
export function readAhead(id: string): void {
  const answer = request(readAnswer, 'GET', `/api/sites/${encodeURIComponent(id)}`)
  // Told to who takes it.
  answer.catch(() => undefined)
  ahead = { id, at: Date.now(), answer }
}

/** What was asked for ahead, once; undefined where that was another site. */
export function takeAhead(id: string): Promise<ReadAnswer> | undefined {
  const asked = ahead
  ahead = undefined
  return asked?.id === id && Date.now() - asked.at < FRESH_MS ? asked.answer : undefined
}
