import { contactTarget } from './contact.ts'
import { splitReference } from './reference.ts'

/** Characters that no host has. https://url.spec.whatwg.org/#forbidden-host-code-points */
const NOT_IN_HOST = /[\s#%/:<>?@[\\\]^|"`{}]/
const MAX_PORT = 65_535

/** Whether an authority names a host, and a port that there is (RFC 3986, 3.2; URL standard, host parsing). */
function isAuthority(authority: string): boolean {
  const at = authority.slice(authority.lastIndexOf('@') + 1)
  const [, host = '', port = ''] = /^(\[[\da-f:.]+\]|[^:]*)(?::(\d*))?$/i.exec(at) ?? []
  const isHost = host.startsWith('[') || (host !== '' && !NOT_IN_HOST.test(host))
  return isHost && Number(port) <= MAX_PORT
}

/** Whether a link may lead to this address: a web address with a host, or something after mailto: or tel:. */
export function isAllowedTarget(url: string): boolean {
  if (/\s/.test(url)) return false
  const { scheme, authority, path } = splitReference(url)
  switch (scheme?.toLowerCase()) {
    case 'http':
    case 'https':
      return authority !== undefined && isAuthority(authority)
    case 'mailto':
    case 'tel':
      return path !== ''
    default:
      return false
  }
}

/** Whether something can be fetched from this address: a web address with a host. */
export function isWebAddress(url: string): boolean {
  return isAllowedTarget(url) && /^https?:/i.test(url)
}

/** Whether a site can be published here: a web address with a host, no query, no fragment. */
export function isBaseUrl(url: string): boolean {
  const { query, fragment, path } = splitReference(url)
  return isWebAddress(url) && query === undefined && fragment === undefined && !path.includes('//')
}

/** A host name as people write it, with or without a path: `www.example.org/visit`. */
const HOST_LIKE = /^(?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?\.)+[a-z]{2,}(?::\d+)?(?:[/?#]\S*)?$/i

/** What ends like a file of a site is one, though a host could be called so. */
const FILE_LIKE =
  /^[^/?#]+\.(html?|php|shtml|css|m?js|pdf|svg|png|jpe?g|gif|webp|avif|ico|txt|md|csv|docx?|xlsx?)(?:[?#]\S*)?$/i

/**
 * What is most likely meant by an address that has no scheme: a host name on the web, an e-mail address, a phone
 * number. Any other text comes back as it is.
 */
export function likelyTarget(text: string): string {
  const typed = text.trim()
  if (isAllowedTarget(typed)) return typed
  return (
    contactTarget(typed) ?? (HOST_LIKE.test(typed) && !FILE_LIKE.test(typed) ? `https://${typed}` : typed)
  )
}
