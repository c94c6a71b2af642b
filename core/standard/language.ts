/** Whether a text is a tag of BCP 47, as far as the ECMAScript Internationalization API can tell a well-formed one. */
export function isLanguageTag(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1
  } catch {
    return false
  }
}
