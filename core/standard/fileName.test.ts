import { claimName, fileNameFault, isReservedName, soundFileName } from './fileName.ts'

describe('soundFileName', () => {
  test.each([
    ['Opening times', 'opening-times'],
    ['  Spaces   and CAPITALS ', 'spaces-and-capitals'],
    ['Über uns – Straße', 'uber-uns-strasse'],
    ['Crème brûlée', 'creme-brulee'],
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
  test('numbers names in use without regard to case, in the order they come', () => {
    const taken = new Set<string>()
    const claim = (name: string) => claimName(name, taken, '-')
    expect(['walks', 'Walks', 'WALKS', 'walks-2'].map(claim)).toEqual([
      'walks',
      'Walks-2',
      'WALKS-3',
      'walks-2-2',
    ])
  })

  test('composed and decomposed accents are one name', () => {
    const taken = new Set<string>()
    claimName('caf\u00e9', taken, '-')
    expect(claimName('cafe\u0301', taken, '-')).toBe('cafe\u0301-2')
  })

  test('keeps index for the home page and device names for Windows', () => {
    expect(claimName('index', new Set(), '-')).toBe('index-2')
    expect(claimName('con', new Set(), '_')).toBe('con_2')
  })
})
