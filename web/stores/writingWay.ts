import { useLocalStorage } from '@vueuse/core'

/** The ways of writing main content, by the name of their view. */
export type WritingWay = '' | 'source'

/** The way that was used last in this browser: places in a text are opened in it. */
export const writingWay = useLocalStorage<WritingWay>('viatica-way', '')
