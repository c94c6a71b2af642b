/** What a dialog gives to be put where the caret is: a link, or a piece of HTML. */
export interface Insertion {
  readonly href?: string
  /** What the link says where nothing is selected. */
  readonly text?: string
  readonly html?: string
  /** A heading of the same text that gets an id first: its place among all headings, and the id. */
  readonly heading?: { readonly at: number; readonly id: string } | undefined
}
