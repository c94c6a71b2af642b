/** An edit of a site that somebody changed since: it makes no sense there any more. */
export class Overtaken extends Error {
  override name = 'Overtaken'
}

/** An edit on a revision that the site does not have. */
export class UnknownBase extends Error {
  override name = 'UnknownBase'
}

/** A point that the history of a site does not have. */
export class UnknownPoint extends Error {
  override name = 'UnknownPoint'
}

/** Nothing is stored under this id, or not any more. */
export class UnknownSite extends Error {
  override name = 'UnknownSite'
}
