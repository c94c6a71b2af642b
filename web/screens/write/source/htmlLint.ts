import type { Diagnostic } from '@codemirror/lint'
import { htmlFaults } from '@viatica/core/content/htmlFaults.ts'
import { MAX_CONTENT } from '@viatica/core/plan/entry.ts'

/** The faults of a source as the editor underlines them; none of one that is too long to be kept, and so not read. */
export function diagnosticsOf(html: string): Diagnostic[] {
  if (html.length > MAX_CONTENT) return []
  return htmlFaults(html).map(({ start, end, kind, what }) => ({
    from: start,
    to: Math.min(end, html.length),
    severity: kind === 'no alternative' ? 'warning' : 'error',
    message: `${what[0]!.toUpperCase()}${what.slice(1)}.`,
  }))
}
