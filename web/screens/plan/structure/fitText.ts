const canvas = document.createElement('canvas').getContext('2d')!
const widths = new Map<string, number>()

function widthOf(text: string, font: string): number {
  const key = `${font}\n${text}`
  let width = widths.get(key)
  if (width === undefined) {
    canvas.font = font
    width = canvas.measureText(text).width
    if (widths.size > 20_000) widths.clear()
    widths.set(key, width)
  }
  return width
}

/** A text cut to fit a width in pixels, with an ellipsis where it is cut. SVG cannot do that by itself. */
export function fitText(text: string, font: string, width: number): string {
  if (widthOf(text, font) <= width) return text
  const characters = [...text]
  let fits = 0
  let tooLong = characters.length
  while (fits < tooLong - 1) {
    const middle = (fits + tooLong) >> 1
    if (widthOf(`${characters.slice(0, middle).join('')}…`, font) <= width) fits = middle
    else tooLong = middle
  }
  return `${characters.slice(0, fits).join('').trimEnd()}…`
}
