import { escapeAttribute, escapeText } from '@viatica/core/standard/escape.ts'

/** What a dialog gives to be put where the caret is: a link, or a picture. */
export interface Insertion {
  readonly href?: string
  /** What the link says where nothing is selected. */
  readonly text?: string
  readonly picture?: Picture
  /** The element of a computed part. */
  readonly computed?: string
  /** A heading of the same text that gets an id first: its place among all headings, and the id. */
  readonly heading?: { readonly at: number; readonly id: string } | undefined
}

/** A picture as an author places it. */
export interface Picture {
  /** A pointer to a file of the site, or an address. */
  readonly src: string
  /** Empty for one that only decorates. */
  readonly alt: string
  /** CSS pixels; 0 where it is not said. */
  readonly width: number
  readonly height: number
  /** Empty without one. */
  readonly caption: string
}

/** A picture as HTML, in a figure where it has a caption. */
export function pictureHtml({ src, alt, width, height, caption }: Picture): string {
  const size = width > 0 && height > 0 ? ` width="${width}" height="${height}"` : ''
  const img = `<img src="${escapeAttribute(src)}" alt="${escapeAttribute(alt)}"${size}>`
  return caption === '' ? img : `<figure>${img}<figcaption>${escapeText(caption)}</figcaption></figure>`
}
