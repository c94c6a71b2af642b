import type { Override, TemplatePart } from '../plan/surround/templates.ts'

/**
 * Whether what a page keeps in the place of some parts of its template differs from what these would say: not what is only
 * written in another way, nor what every page has of its own.
 */
export const isDifference = ({ over }: Override, parts: readonly TemplatePart[]): boolean =>
  over === undefined && (parts.length === 0 || parts.some(({ kind }) => kind !== 'own' && kind !== 'content'))
