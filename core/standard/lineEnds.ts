const LINE_END = /\r\n|\r|\n/g

/** A text as a text field of a browser holds it. https://html.spec.whatwg.org/multipage/form-elements.html#concept-textarea-api-value */
export const withPlainLineEnds = (text: string): string => text.replace(LINE_END, '\n')

/** The line end that a text has most. */
function usualLineEnd(text: string): string {
  const counts = new Map<string, number>()
  for (const [end] of text.matchAll(LINE_END)) counts.set(end, (counts.get(end) ?? 0) + 1)
  return [...counts].sort(([, a], [, b]) => b - a)[0]?.[0] ?? '\n'
}

/**
 * A text that was edited in a field that knows one line end only, with the line ends that it had: what was not touched
 * keeps its own, and new lines end as most do.
 */
export function withLineEndsOf(before: string, edited: string): string {
  const plain = withPlainLineEnds(before)
  let start = 0
  while (start < plain.length && start < edited.length && plain[start] === edited[start]) start++
  let end = 0
  const most = Math.min(plain.length, edited.length) - start
  while (end < most && plain[plain.length - 1 - end] === edited[edited.length - 1 - end]) end++
  /** Where in the text a place of the plain one is. */
  const placeOf = (at: number): number => {
    let more = 0
    for (const { 0: lineEnd, index } of before.matchAll(LINE_END)) {
      if (index - more >= at) break
      more += lineEnd.length - 1
    }
    return at + more
  }
  const usual = usualLineEnd(before)
  const middle = edited.slice(start, edited.length - end).replaceAll('\n', usual)
  const after = before.slice(0, placeOf(start)) + middle + before.slice(placeOf(plain.length - end))
  // Two ends that come together would be one.
  return withPlainLineEnds(after) === edited ? after : edited.replaceAll('\n', usual)
}
