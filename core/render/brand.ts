import type { Site } from '../plan/site.ts'
import { escapeAttribute, escapeText } from './escape.ts'
import type { Links } from './links.ts'

/** The logo and the name of the site, linked to the home page, and the tagline. */
export function renderBrand({ plan, settings }: Site, links: Links): string {
  const { logo, name, tagline } = settings
  const source = logo && links.toFile(logo.file)
  let brand = `      <div class="brand">\n        <a class="brand-home" href="${links.toPage(plan.home)}">\n`
  if (source) brand += `          <img src="${source}" alt="${escapeAttribute(logo.alt)}">\n`
  brand += `          <span class="brand-name">${escapeText(name)}</span>\n        </a>\n`
  if (tagline) brand += `        <p class="tagline">${escapeText(tagline)}</p>\n`
  return `${brand}      </div>\n`
}
