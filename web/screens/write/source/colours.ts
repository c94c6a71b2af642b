import { HighlightStyle } from '@codemirror/language'
import { tags } from '@lezer/highlight'

/** The colours of a source, each 4.5:1 on the card at least. Brick stays for faults, and ochre for where one is. */
export const sourceColours = HighlightStyle.define([
  { tag: tags.tagName, color: '#1f5a4c', fontWeight: '600' },
  { tag: [tags.angleBracket, tags.documentMeta, tags.comment], color: '#5b6b6a' },
  { tag: tags.attributeName, color: '#5b6b6a' },
  { tag: tags.attributeValue, color: '#2f5d8a' },
  { tag: tags.character, color: '#2f5d8a' },
])
