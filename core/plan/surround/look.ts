import * as v from 'valibot'

const colour = v.pipe(v.string('must be text'), v.regex(/^#[0-9a-f]{6}$/, 'must be a colour such as #17405e'))

/** The colours of a site, by what they are for. */
const colourSchema = v.strictObject({
  page: colour,
  text: colour,
  link: colour,
  visited: colour,
  accent: colour,
  headerBack: colour,
  headerText: colour,
  menuBack: colour,
  menuText: colour,
  menuVisited: colour,
  footerBack: colour,
  footerText: colour,
})
export type Colours = v.InferOutput<typeof colourSchema>
export type ColourName = keyof Colours

/** Stacks of fonts that systems have. */
export const SYSTEM_FONTS = ['serif', 'old-style', 'sans', 'humanist', 'mono'] as const
export type SystemFont = (typeof SYSTEM_FONTS)[number]
/** Open fonts, whose files are written into the site. */
export const OPEN_FONT_NAMES = ['literata', 'bitter', 'source-sans', 'atkinson', 'plex-mono'] as const
export type OpenFont = (typeof OPEN_FONT_NAMES)[number]
export const FONTS = [...SYSTEM_FONTS, ...OPEN_FONT_NAMES] as const
export type Font = (typeof FONTS)[number]

export function isOpenFont(font: Font): font is OpenFont {
  return (OPEN_FONT_NAMES as readonly Font[]).includes(font)
}

const font = v.picklist(FONTS, `must be one of ${FONTS.join(', ')}`)

export const SIZES = [15, 16, 17, 18, 19, 20] as const
export const WIDTHS = [56, 62, 68, 74, 80] as const
export const SIDES = ['left', 'right'] as const
export const HERE_LOOKS = ['bar', 'fill', 'bold'] as const
export const HOVER_LOOKS = ['fill', 'underline', 'accent'] as const

/** The few choices from which the style sheet is made. */
export const lookSchema = v.strictObject({
  colours: colourSchema,
  textFont: font,
  headingFont: font,
  menuFont: font,
  /** Of running text, in CSS pixels where a visitor has changed nothing. */
  size: v.picklist(SIZES, 'must be 15 to 20'),
  /** Of the whole page at most, in rem. */
  width: v.picklist(WIDTHS, `must be one of ${WIDTHS.join(', ')}`),
  side: v.picklist(SIDES, 'must be left or right'),
  /** How the here mark shows in menus. */
  here: v.picklist(HERE_LOOKS, `must be ${HERE_LOOKS.join(', ')}`),
  /** How a menu link shows that it is pointed at. */
  hover: v.picklist(HOVER_LOOKS, `must be ${HOVER_LOOKS.join(', ')}`),
})
export type Look = v.InferOutput<typeof lookSchema>

export const DEFAULT_LOOK: Look = {
  colours: {
    page: '#fbfaf6',
    text: '#1c262d',
    link: '#17405e',
    visited: '#5b3a78',
    accent: '#f2c14e',
    headerBack: '#17405e',
    headerText: '#ffffff',
    menuBack: '#0f2c42',
    menuText: '#ffffff',
    menuVisited: '#d3dde6',
    footerBack: '#0f2c42',
    footerText: '#ffffff',
  },
  textFont: 'serif',
  headingFont: 'serif',
  menuFont: 'sans',
  size: 17,
  width: 68,
  side: 'left',
  here: 'bar',
  hover: 'fill',
}
