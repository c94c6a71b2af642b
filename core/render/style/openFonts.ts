import { isOpenFont, type Look, type OpenFont } from '../../plan/surround/look.ts'

/** A font that is written into the site, under the SIL Open Font License 1.1. */
export interface OpenFontFamily {
  /** What it is called in style sheets. */
  readonly family: string
  /** What its files begin with, as Fontsource names them. */
  readonly files: string
}

export const OPEN_FONTS: Readonly<Record<OpenFont, OpenFontFamily>> = {
  literata: { family: 'Literata', files: 'literata' },
  bitter: { family: 'Bitter', files: 'bitter' },
  'source-sans': { family: 'Source Sans 3', files: 'source-sans-3' },
  atkinson: { family: 'Atkinson Hyperlegible', files: 'atkinson-hyperlegible' },
  'plex-mono': { family: 'IBM Plex Mono', files: 'ibm-plex-mono' },
}

/** Which characters each part of a font holds, so that visitors fetch only what a page needs. As Fontsource has them. */
const SUBSETS = {
  'latin-ext':
    'U+0100-02BA, U+02BD-02C5, U+02C7-02CC, U+02CE-02D7, U+02DD-02FF, U+0304, U+0308, U+0329, U+1D00-1DBF, U+1E00-1E9F, U+1EF2-1EFF, U+2020, U+20A0-20AB, U+20AD-20C0, U+2113, U+2C60-2C7F, U+A720-A7FF',
  latin:
    'U+0000-00FF, U+0131, U+0152-0153, U+02BB-02BC, U+02C6, U+02DA, U+02DC, U+0304, U+0308, U+0329, U+2000-206F, U+20AC, U+2122, U+2191, U+2193, U+2212, U+2215, U+FEFF, U+FFFD',
} as const

/** The styles of a font that pages use; a bold italic is rare enough to be slanted by the browser. */
const STYLES = [
  { weight: 400, style: 'normal' },
  { weight: 400, style: 'italic' },
  { weight: 700, style: 'normal' },
] as const

/** One file of a font. */
interface FontFace {
  readonly family: string
  readonly weight: number
  readonly style: string
  readonly range: string
  readonly file: string
}

function facesOf({ family, files }: OpenFontFamily): FontFace[] {
  return STYLES.flatMap(({ weight, style }) =>
    Object.entries(SUBSETS).map(([subset, range]) => ({
      family,
      weight,
      style,
      range,
      file: `${files}-${subset}-${weight}-${style}.woff2`,
    })),
  )
}

/** The open fonts that a look asks for, each once. */
function fontsOf({ textFont, headingFont, menuFont }: Look): OpenFontFamily[] {
  const asked = new Set([textFont, headingFont, menuFont].filter(isOpenFont))
  return [...asked].map((font) => OPEN_FONTS[font])
}

/** The names of the files that the fonts of a look are written as, their licences included. */
export function fontFilesOf(look: Look): string[] {
  return fontsOf(look).flatMap((font) => [
    ...facesOf(font).map(({ file }) => file),
    // The licence asks to be given along with the font (OFL 1.1, condition 2).
    `${font.files}-licence.txt`,
  ])
}

/** The part of a style sheet that brings in the fonts of a look. @param folder as the style sheet reaches it */
export function fontFaceStyles(look: Look, folder: string): string {
  return fontsOf(look)
    .flatMap(facesOf)
    .map(
      ({ family, weight, style, range, file }) => `@font-face {
  font-family: '${family}';
  font-style: ${style};
  font-weight: ${weight};
  font-display: swap;
  src: url('${folder}${file}') format('woff2');
  unicode-range: ${range};
}

`,
    )
    .join('')
}
