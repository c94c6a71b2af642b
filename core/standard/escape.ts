/** Text as it stands between tags. https://html.spec.whatwg.org/multipage/parsing.html#escapingString */
export function escapeText(text: string): string {
  return /[&<>\u00a0]/.test(text)
    ? text
        .replaceAll('&', '&amp;')
        .replaceAll('\u00a0', '&nbsp;')
        .replaceAll('<', '&lt;')
        .replaceAll('>', '&gt;')
    : text
}

/** Text as it stands in a double-quoted attribute value (same source). */
export function escapeAttribute(text: string): string {
  return /[&<>"\u00a0]/.test(text) ? escapeText(text).replaceAll('"', '&quot;') : text
}

/** Text as people write it between tags: with references for no more than what needs them. */
export const escapePlainly = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
