import type { LinkTarget } from '../entry.ts'
import type { Menu } from './menu.ts'
import type { PickedLink } from './pickedLink.ts'

/** What becomes of where links lead; each gives back the same where it stays as it is. */
export interface Following {
  target(target: LinkTarget): LinkTarget
  html(html: string): string
}

/** Gives back the same list where every one of it stays the same object. */
export function mapped<One>(all: readonly One[], next: (one: One) => One): One[] {
  const after = all.map(next)
  return after.every((one, at) => one === all[at]) ? (all as One[]) : after
}

/** Links that follow; the same list where none does. */
export function linksAfter(links: readonly PickedLink[], following: Following): PickedLink[] {
  return mapped(links, (link) => {
    const target = following.target(link.target)
    return target === link.target ? link : { ...link, target }
  })
}

/** A menu whose links follow; the same object where nothing of it does. */
export function menuAfter(menu: Menu, following: Following): Menu {
  switch (menu.kind) {
    case 'plan':
      return menu
    case 'picked': {
      const links = linksAfter(menu.links, following)
      return links === menu.links ? menu : { ...menu, links }
    }
  }
}
