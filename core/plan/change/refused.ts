/** A change that makes no sense on the site it meets. The message says why, in words for the author. */
export class ChangeRefused extends Error {
  override name = 'ChangeRefused'
}
