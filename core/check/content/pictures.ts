import type { PlacedElement } from '../bodyElements.ts'

/** The pictures among elements. */
export const pictures = (elements: readonly PlacedElement[]) =>
  elements.filter(({ element }) => element.tagName === 'img')
