import {
  claimName,
  fileNameFault,
  isReservedName,
  nameKey,
  soundFileName,
  soundTypedName,
} from './fileName.ts'

describe('soundFileName', () => {
  test.each([
    ['Opening times', 'opening-times'],
    ['  Spaces   and CAPITALS ', 'spaces-and-capitals'],
    ['Über uns – Straße', 'uber-uns-strasse'],
    ['Crème brûlée', 'creme-brulee'],
    ['St Anne’s', 'st-annes'],
    ["Rock 'n' roll", 'rock-n-roll'],
    ['Łódź', 'lodz'],
    ['a/b\\c:d*?"<>|', 'a-b-c-d'],
    ['...', 'page'],
    ['', 'page'],
    ['Stage 1: Basin to river', 'stage-1-basin-to-river'],
  ])('%j becomes %j', (text, expected) => {
    expect(soundFileName(text, '-')).toBe(expected)
  })

  test('uses the separator of the site', () => {
    expect(soundFileName('Opening times', '_')).toBe('opening_times')
  })

  test.each([
    ['Tea Room.html', 'tea-room'],
    ['tea-room.HTM ', 'tea-room'],
    ['index.php', 'index'],
    ['version 2.0', 'version-2-0'],
    ['.html', 'page'],
  ])('%j typed as a file name becomes %j', (text, expected) => {
    expect(soundTypedName(text, '-')).toBe(expected)
  })

  test('cuts long names at a word', () => {
    const name = soundFileName('towpath '.repeat(60), '-')
    expect(name.length).toBeLessThanOrEqual(80)
    expect(name).toMatch(/^(towpath-)*towpath$/)
  })
})

describe('reserved names (Microsoft, “Naming Files, Paths, and Namespaces”)', () => {
  const published = ['CON', 'PRN', 'AUX', 'NUL', 'COM1', 'COM9', 'LPT1', 'LPT9', 'COM¹', 'LPT³', 'NUL.txt']
  test.each(published)('%s is reserved', (name) => {
    expect(isReservedName(name)).toBe(true)
    expect(isReservedName(name.toLowerCase())).toBe(true)
  })

  test.each(['com0x', 'com10', 'console', 'null', 'lpt', 'auxiliary'])('%s is not', (name) => {
    expect(isReservedName(name)).toBe(false)
  })

  test.each(['<', '>', ':', '"', '/', '\\', '|', '?', '*', '\u0000', '\u001f'])(
    '%j is forbidden in a name',
    (character) => {
      expect(fileNameFault(`a${character}b`)).toMatch(/cannot contain/)
    },
  )

  test.each(['ends.', 'ends ', '.starts', '..'])(
    '%j ends or starts in a way that is lost on some system',
    (name) => {
      expect(fileNameFault(name)).toMatch(/start nor end/)
    },
  )

  test('a name of 300 characters is too long, and an ordinary one is not at fault', () => {
    expect(fileNameFault('a'.repeat(300))).toMatch(/at most 100/)
    expect(fileNameFault('stage-1_b.old')).toBeUndefined()
  })
})

describe('claimName', () => {
  const claiming = (separator: '-' | '_' = '-') => {
    const taken = new Set<string>()
    return (name: string) => {
      const free = claimName(name, (one) => taken.has(nameKey(one)), separator)
      taken.add(nameKey(free))
      return free
    }
  }

  test('numbers names in use without regard to case, in the order they come', () => {
    expect(['walks', 'Walks', 'WALKS', 'walks-2'].map(claiming())).toEqual([
      'walks',
      'Walks-2',
      'WALKS-3',
      'walks-2-2',
    ])
  })

  test('composed and decomposed accents are one name, and so are the small letters of Σ', () => {
    expect(['caf\u00e9', 'cafe\u0301'].map(claiming())).toEqual(['caf\u00e9', 'cafe\u0301-2'])
    expect(['Σ', 'ς', 'σ'].map(claiming())).toEqual(['Σ', 'ς-2', 'σ-3'])
  })

  test.each([
    ['index', 'index-2'],
    ['con', 'con-2'],
    ['con.x', 'con-2.x'],
    ['aux.html', 'aux-2.html'],
    ['NUL.a.b', 'NUL-2.a.b'],
  ])('keeps index for the home page and device names for Windows: %s becomes %s', (name, expected) => {
    expect(claiming()(name)).toBe(expected)
  })

  test('names of many bytes are cut to what file systems take, between characters', () => {
    const name = claiming()('日'.repeat(90))
    expect(new TextEncoder().encode(`${name}-100.shtml`).length).toBeLessThanOrEqual(255)
    expect(name).toMatch(/^日+$/)
    expect(fileNameFault('日'.repeat(90))).toMatch(/bytes/)
  })
})
