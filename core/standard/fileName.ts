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
 * separator, none at the ends. `page` when nothing is left.
 */
export function soundFileName(text: string, separator: Separator): string {
  const words = anyAscii(text.normalize('NFC'))
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

/**
 * What is wrong with an author's own file name (given without extension), in words; undefined when it will do
 * on every common system. Device names are not faults: they get a number like names in use.
 */
export function fileNameFault(name: string): string | undefined {
  if (name === '') return 'A file name cannot be empty.'
  if (name.length > 100) return 'A file name can have at most 100 characters.'
  const forbidden = FORBIDDEN.exec(name)
  if (forbidden) return `A file name cannot contain ${JSON.stringify(forbidden[0])}.`
  if (/^[. ]|[. ]$/.test(name)) return 'A file name can neither start nor end with a dot or a space.'
  if (!name.isWellFormed()) return 'A file name must be whole characters.'
  return undefined
}

/** Two names with the same key would be the same file where case or composed accents do not count. */
export function nameKey(name: string): string {
  return name.normalize('NFC').toLowerCase()
}

/**
 * The name itself, or with the first free -2, -3, … when it is taken, reserved, or `index`.
 * @param taken the keys (see nameKey) in use where the file will stand; the chosen one is added.
 */
export function claimName(name: string, taken: Set<string>, separator: Separator): string {
  let free = name
  let key = nameKey(free)
  for (let n = 2; key === 'index' || taken.has(key) || isReservedName(free); n++) {
    free = `${name}${separator}${n}`
    key = nameKey(free)
  }
  taken.add(key)
  return free
}
