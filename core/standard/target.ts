import { splitReference } from './reference.ts'

/** Whether a link may lead to this address: a web address with a host, or something after mailto: or tel:. */
export function isAllowedTarget(url: string): boolean {
  if (/\s/.test(url)) return false
  const { scheme, authority, path } = splitReference(url)
  switch (scheme?.toLowerCase()) {
    case 'http':
    case 'https':
      return authority !== undefined && authority.replace(/^.*@|:\d*$/g, '') !== ''
    case 'mailto':
    case 'tel':
      return path !== ''
    default:
      return false
  }
}

/** Whether a site can be published here: a web address with a host, no query, no fragment. */
export function isBaseUrl(url: string): boolean {
  const { scheme, query, fragment } = splitReference(url)
  return isAllowedTarget(url) && /^https?$/i.test(scheme!) && query === undefined && fragment === undefined
}
