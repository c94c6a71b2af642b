/** The words that stand on pages and are not yet the author's to choose. */
export const WORDS = {
  skip: 'Skip to main content',
  mainMenu: 'Main',
  foldMenu: 'Menu',
  submenuOf: (label: string) => `More in ${label}`,
  breadcrumb: 'Breadcrumb',
  pager: 'Previous and next page',
} as const
