/** Widths at which pages are previewed, in CSS pixels: those of a telephone, a tablet and a desktop. */
export const PAGE_WIDTHS = [360, 768, 1280] as const

/** Returns the widest of them that the window has room for; without a window, as in a test of a store, the widest of all. */
export function startWidth(): number {
  const room = (globalThis as { innerWidth?: number }).innerWidth ?? Infinity
  return PAGE_WIDTHS.findLast((width) => width <= room) ?? PAGE_WIDTHS[0]
}
