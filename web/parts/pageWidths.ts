/** Widths at which pages are previewed, in CSS pixels: those of a telephone, a tablet and a desktop. */
export const PAGE_WIDTHS = [360, 768, 1280] as const

/** Returns the widest of them that the window has room for. */
export const startWidth = (): number =>
  PAGE_WIDTHS.findLast((width) => width <= window.innerWidth) ?? PAGE_WIDTHS[0]
