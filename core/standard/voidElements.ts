/** https://html.spec.whatwg.org/multipage/syntax.html#void-elements, and those of old pages. */
const VOID = new Set(
  'area base basefont bgsound br col embed frame hr img input keygen link meta param source track wbr'.split(
    ' ',
  ),
)

/** Whether an element never has content. @param tag in lower case */
export const isVoid = (tag: string): boolean => VOID.has(tag)
