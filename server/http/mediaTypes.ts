/** Of outlines, for which none is registered. */
export const OPML = 'text/x-opml'
