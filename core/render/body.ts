import type { Body } from '../plan/entry.ts'
import { type Call, callsOf, type CompiledHtml, compileHtml, slotsOf } from './authorHtml.ts'
import { pointersIn, type Slot } from './slots.ts'

/** Main content, parsed once and made whole. */
export interface CompiledBody extends CompiledHtml {
  /** Every pointer in it, those within pictures as well. */
  readonly pointers: readonly Slot[]
  /** The computed parts that it calls. */
  readonly calls: readonly Call[]
}

/** How deep main content stands in the page. */
export const BODY_INDENT = 6

const compiled = new WeakMap<Body, CompiledBody>()

/** Parses and serialises a body on its own, so that nothing left open in it can reach the footer. Remembered. */
export function compileBody(body: Body): CompiledBody {
  const known = compiled.get(body)
  if (known) return known
  const html = compileHtml(body.html, BODY_INDENT)
  const result: CompiledBody = { ...html, pointers: pointersIn(slotsOf(html)), calls: callsOf(html) }
  compiled.set(body, result)
  return result
}
