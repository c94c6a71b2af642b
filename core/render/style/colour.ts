/** A colour as `#rrggbb`. */
export type Hex = string

/** Red, green and blue, each 0 to 255. */
function channels(hex: Hex): readonly [number, number, number] {
  const all = parseInt(hex.slice(1), 16)
  return [all >> 16, (all >> 8) & 255, all & 255]
}

/** What each value of a channel gives to the luminance, before it is weighed. */
const LINEAR = Array.from({ length: 256 }, (_, value) => {
  const part = value / 255
  return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4
})

/** WCAG 2.2, relative luminance: https://www.w3.org/TR/WCAG22/#dfn-relative-luminance */
function luminance(hex: Hex): number {
  const [r, g, b] = channels(hex)
  return 0.2126 * LINEAR[r]! + 0.7152 * LINEAR[g]! + 0.0722 * LINEAR[b]!
}

/** WCAG 2.2, contrast ratio, 1 to 21: https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio */
export function contrastRatio(a: Hex, b: Hex): number {
  const [one, other] = [luminance(a), luminance(b)]
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05)
}

/** A colour between two others. @param share how much of the first, 0 to 1 */
export function mix(a: Hex, b: Hex, share: number): Hex {
  const [from, to] = [channels(a), channels(b)]
  const hex = from.map((value, at) => Math.round(value * share + to[at]! * (1 - share)))
  return `#${hex.map((value) => value.toString(16).padStart(2, '0')).join('')}`
}

/** Of two colours the one that can be read better on a background. */
export function readable(on: Hex, a: Hex, b: Hex): Hex {
  return contrastRatio(a, on) >= contrastRatio(b, on) ? a : b
}

/**
 * The colour nearest to one that can be read on a background: it is darkened or lightened by as little as that takes, whichever
 * takes less. The colour itself where it can be read already, and the better of black and white where nothing has that contrast.
 * @param least the contrast that is wanted, as `contrastRatio` gives it
 */
export function nearestReadable(colour: Hex, back: Hex, least: number): Hex {
  const STEPS = 255
  for (let step = 0; step <= STEPS; step++) {
    const share = 1 - step / STEPS
    const found = ['#000000', '#ffffff']
      .map((end) => mix(colour, end, share))
      .find((one) => contrastRatio(one, back) >= least)
    if (found) return found
  }
  return readable(back, '#000000', '#ffffff')
}
