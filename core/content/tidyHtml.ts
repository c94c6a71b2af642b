import { readVisual } from './visual/read.ts'
import { writeBlocks } from './visual/write.ts'

/** HTML as a careful person would write it: blocks on lines of their own, indented by two spaces. */
export const tidyHtml = (html: string): string => writeBlocks(readVisual(html)).join('\n')
