import type { Diagnostic } from '@codemirror/lint'
import { htmlFaults } from '@viatica/core/content/htmlFaults.ts'

/** The faults of a source as the editor underlines them. */
export function diagnosticsOf(html: string): Diagnostic[] {
  return htmlFaults(html).map(({ start, end, kind, what }) => ({
    from: start,
    to: Math.min(end, html.length),
    severity: kind === 'no alternative' ? 'warning' : 'error',
    message: `${what[0]!.toUpperCase()}${what.slice(1)}.`,
  }))
}
