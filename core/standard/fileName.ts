import anyAscii from 'any-ascii'

export type Separator = '-' | '_'

/** A derived name is cut here, at a word where it can be; long enough to read, short enough for every disk. */
const MAX_DERIVED = 80

/**
 * Device names that Windows keeps for itself, with any extension.
 * https://learn.microsoft.com/windows/win32/fileio/naming-a-file
 */
const DEVICE_NAME = /^(con|prn|aux|nul|com[1-9¹²³]|lpt[1-9¹²³])(\.|$)/i

/** Characters that Windows forbids in file names (same source), the slash of every other system among them. */
// eslint-disable-next-line no-control-regex -- control characters are forbidden too
const FORBIDDEN = /[<>:"/\\|?*\u0000-\u001f]/

/** Whether a name, without regard to case, is one that Windows keeps for a device. */
export function isReservedName(name: string): boolean {
  return DEVICE_NAME.test(name)
}

/**
 * A sound file name for any text: transliterated to ASCII, lower-case, every run of other characters one
 * separator, none at the ends; apostrophes vanish, as “St Anne’s” is one word. `page` when nothing is left.
 */
export function soundFileName(text: string, separator: Separator): string {
  const words = anyAscii(text.normalize('NFC').replace(/['’‘ʼ＇]/g, ''))
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
  let name = ''
  for (const word of words) {
    const longer = name === '' ? word : name + separator + word
    if (longer.length > MAX_DERIVED && name !== '') break
    name = longer.slice(0, MAX_DERIVED)
  }
  return name || 'page'
}

/** The extensions that pages have, on this site or on others. */
export const PAGE_EXTENSION = /\.(?:x?html?|s?html|php|aspx?|jsp)$/i

/** A sound name for a file name that an author typed: its extension is the site’s to say, and goes. */
export function soundTypedName(text: string, separator: Separator): string {
  return soundFileName(text.trim().replace(PAGE_EXTENSION, ''), separator)
}

/**
 * What is wrong with an author's own file name (given without extension), in words; undefined when it will do
 * on every common system. Device names are not faults: they get a number like names in use.
 */
export function fileNameFault(name: string): string | undefined {
  if (name === '') return 'A file name cannot be empty.'
  if (name.length > 100) return 'A file name can have at most 100 characters.'
  // No unit of UTF-16 has more than three bytes in UTF-8.
  if (name.length * 3 > MAX_NAME_BYTES && encoder.encode(name).length > MAX_NAME_BYTES)
    return `A file name can have at most ${MAX_NAME_BYTES} bytes, and this has more.`
  const forbidden = FORBIDDEN.exec(name)
  if (forbidden) return `A file name cannot contain ${JSON.stringify(forbidden[0])}.`
  if (/^[. ]|[. ]$/.test(name)) return 'A file name can neither start nor end with a dot or a space.'
  if (!name.isWellFormed()) return 'A file name must be whole characters.'
  return undefined
}

/**
 * Two names with the same key would be the same file where case or composed accents do not count. Both ways of case are
 * gone: Σ has two small letters. https://www.unicode.org/faq/casemap_charprop.html
 */
export function nameKey(name: string): string {
  if (/^[ -~]*$/.test(name)) return name.toLowerCase()
  return name.normalize('NFC').toUpperCase().toLowerCase().normalize('NFC')
}

/** The keys of all folders that a path leads through, the nearest first. @param key of the path itself */
export function* folderKeys(key: string): Generator<string> {
  for (let end = key.lastIndexOf('/'); end > 0; end = key.lastIndexOf('/', end - 1)) yield key.slice(0, end)
}

const encoder = new TextEncoder()

/** As many bytes as file systems give a name (ext4, APFS and most others); an extension and a number follow. */
const MAX_NAME_BYTES = 255
const MAX_STEM_BYTES = 230

/** A name that, with what follows it, has no more bytes than file systems take. */
export function fittingName(name: string): string {
  if (name.length * 3 <= MAX_STEM_BYTES) return name
  let fits = ''
  let bytes = 0
  for (const sign of name) {
    bytes += encoder.encode(sign).length
    if (bytes > MAX_STEM_BYTES) break
    fits += sign
  }
  while (/[. ]$/.test(fits)) fits = fits.slice(0, -1)
  return fits || 'page'
}

/** A name with a number. Of a name with dots the first part gets it: that is what makes a device's name. */
function numbered(name: string, separator: Separator, n: number): string {
  const dot = isReservedName(name) ? name.indexOf('.') : -1
  return dot < 0 ? `${name}${separator}${n}` : `${name.slice(0, dot)}${separator}${n}${name.slice(dot)}`
}

/**
 * Returns the name itself, or with the first free -2, -3, … when it is taken, reserved, or `index`.
 * @param isTaken whether something else is where a file or folder of that name would be
 * @param tried for each name, up to which number all were taken: thousands of pages of one title do not each try all
 *   numbers. Only for names that, once taken, are taken for everybody
 */
export function claimName(
  name: string,
  isTaken: (name: string) => boolean,
  separator: Separator,
  tried?: Map<string, number>,
): string {
  const wanted = fittingName(name)
  const key = nameKey(wanted)
  const nameOf = (n: number) => (n === 1 ? wanted : numbered(wanted, separator, n))
  let n = tried?.get(key) ?? 1
  for (; ; n++) {
    const free = nameOf(n)
    if (nameKey(free) !== 'index' && !isReservedName(free) && !isTaken(free)) break
  }
  tried?.set(key, n)
  return nameOf(n)
}
