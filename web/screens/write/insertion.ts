/** What a dialog gives to be put where the caret is: a link, or a piece of HTML. */
export interface Insertion {
  readonly href?: string
  /** What the link says where nothing is selected. */
  readonly text?: string
  readonly html?: string
}
