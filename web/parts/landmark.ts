/** The landmark that an element stands in: what pops up from it stands there too, so that it is found there. */
export function landmarkOf(element: HTMLElement): HTMLElement {
  return element.closest<HTMLElement>('section, header, main, aside') ?? document.body
}
