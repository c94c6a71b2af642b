import { type Font, isOpenFont, type SystemFont } from '../../plan/surround/look.ts'
import { OPEN_FONTS } from './openFonts.ts'

/** Fonts that systems have, the common ones first; the last word is the kind that CSS falls back to. */
const SYSTEM_STACKS: Readonly<Record<SystemFont, string>> = {
  serif: "Georgia, 'Times New Roman', serif",
  'old-style': "'Iowan Old Style', 'Palatino Linotype', Palatino, 'URW Palladio L', serif",
  sans: "system-ui, 'Segoe UI', Roboto, 'Helvetica Neue', Arial, sans-serif",
  humanist: "Seravek, 'Gill Sans Nova', Ubuntu, Calibri, 'DejaVu Sans', sans-serif",
  mono: "ui-monospace, 'Cascadia Code', Menlo, Consolas, 'DejaVu Sans Mono', monospace",
}

/** What stands in for an open font until it has come, and for characters that it lacks. */
const STAND_INS = {
  literata: 'serif',
  bitter: 'serif',
  'source-sans': 'sans',
  atkinson: 'sans',
  'plex-mono': 'mono',
} as const

/** The value of `font-family` for a font. */
export function fontStack(font: Font): string {
  return isOpenFont(font)
    ? `'${OPEN_FONTS[font].family}', ${SYSTEM_STACKS[STAND_INS[font]]}`
    : SYSTEM_STACKS[font]
}
