import type { MenuGround } from '../../render/style/linkStates.ts'
import type { SiteRule } from '../rule.ts'

/** Where menus stand, in words. */
export const GROUND_WORDS: Readonly<Record<MenuGround, string>> = {
  header: 'in the header',
  page: 'beside the content',
  footer: 'in the footer',
}

/** What the rules about colours share. */
export const head = {
  group: 'access',
  from: ({ site: { surround } }) =>
    surround.kind === 'pieces' ? [surround.look, surround.headFiles] : [surround.kind],
} satisfies Partial<SiteRule>
