import { tokensOf } from '@viatica/core/standard/pageTokens.ts'

/** What a piece of HTML says: its text, without tags and with its references resolved. */
export const textOfMarkup = (html: string): string =>
  tokensOf(html)
    .map((token) => (token.kind === 'text' ? token.text : ''))
    .join('')
