/** The addresses that a `srcset` names. https://html.spec.whatwg.org/multipage/images.html#srcset-attributes */
export function inSourceSet(value: string): string[] {
  return value.split(/,\s+/).flatMap((one) => one.trim().split(/\s+/)[0] || [])
}
