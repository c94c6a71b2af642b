import { type Surround, templatesOf } from '@viatica/core/plan/surround/surround.ts'
import type { TemplatePart } from '@viatica/core/plan/surround/templates.ts'

/** What a part of a template is called; a menu with its name where the surround is at hand. */
export function partWords(part: TemplatePart, surround?: Surround): string {
  switch (part.kind) {
    case 'text':
      return { head: 'Head', header: 'HTML above the content', footer: 'HTML below the content' }[part.where]
    case 'title':
      return 'Title'
    case 'description':
      return 'Description'
    case 'heading':
      return 'Page heading (h1)'
    case 'content':
      return 'Content'
    case 'menu': {
      const pattern = surround && templatesOf(surround)?.menus.find(({ id }) => id === part.pattern)
      const menu = surround?.menus.find(({ id }) => id === pattern?.menu)
      return menu ? `Menu “${menu.name}”` : 'Menu'
    }
    case 'breadcrumb':
      return 'Breadcrumb'
    case 'pager':
      return 'Previous/next links'
    case 'own':
      return part.name === 'banner' ? 'Banner picture of each page' : 'HTML of each page'
  }
}
