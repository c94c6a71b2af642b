import type { Site } from '../plan/site.ts'
import { escapeAttribute, escapeText } from './escape.ts'

/** Something before and after one @, without spaces: enough to tell a mail address from any other contact. */
const MAIL_ADDRESS = /^[^\s@<>,;:]+@[^\s@<>,;:]+\.[^\s@<>,;:]+$/

function renderContact(contact: string): string {
  if (!MAIL_ADDRESS.test(contact)) return escapeText(contact)
  return `<a href="mailto:${escapeAttribute(encodeURI(contact))}">${escapeText(contact)}</a>`
}

/** The footer text in paragraphs, the contact address and the copyright line. */
export function renderFooter({ settings }: Site): string {
  const { footerText, contact, copyright } = settings
  const paragraphs = footerText
    .split(/\n\s*\n/)
    .map((paragraph) => paragraph.trim())
    .filter((paragraph) => paragraph !== '')
    .map((paragraph) => `      <p>${escapeText(paragraph).replaceAll('\n', '<br>\n      ')}</p>\n`)
  if (contact) paragraphs.push(`      <p class="contact">${renderContact(contact)}</p>\n`)
  if (copyright) paragraphs.push(`      <p class="copyright">${escapeText(copyright)}</p>\n`)
  return paragraphs.length === 0
    ? ''
    : `    <footer class="site-footer">\n${paragraphs.join('')}    </footer>\n`
}
