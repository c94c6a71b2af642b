export const PLACES = ['header', 'side', 'before', 'after', 'footer'] as const
/** Where pieces stand: around the main content, and on every page the same. */
export type Place = (typeof PLACES)[number]

/** What authors call each place. */
export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  header: 'Header',
  side: 'Sidebar',
  before: 'Above the content',
  after: 'Below the content',
  footer: 'Footer',
}
