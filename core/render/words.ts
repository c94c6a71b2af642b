/** The words that stand on pages and are not yet the author's to choose. */
export const WORDS = {
  skip: 'Skip to main content',
  mainMenu: 'Main',
  foldMenu: 'Menu',
  submenuOf: (label: string) => `More in ${label}`,
  breadcrumb: 'Breadcrumb',
  pager: 'Previous and next page',
  standIn: 'This page is not written yet.',
  moved: 'This page has moved',
  movedTo: 'It is now at',
} as const
