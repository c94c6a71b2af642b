export const PLACES = ['header', 'side', 'before', 'after', 'footer'] as const
/** Where pieces stand: around the main content, and on every page the same. */
export type Place = (typeof PLACES)[number]

/** What authors call each place. */
export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  header: 'Header',
  side: 'Side',
  before: 'Place before the content',
  after: 'Place after the content',
  footer: 'Footer',
}
