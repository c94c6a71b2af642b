import { soundFileName } from '../../standard/fileName.ts'
import { COMMON_PRACTICE, type PageRule } from '../rule.ts'

/** File names are lower-case and have no spaces, so that they can be typed and read out. */
export const fileNameStyle: PageRule = {
  id: 'file-name-style',
  group: 'addresses',
  severity: 'warning',
  about: 'file names with capitals, spaces or signs',
  source: COMMON_PRACTICE,
  from: ({ site }, page) => [page, site.settings.separator],
  find({ site }, page) {
    if (/^[a-z0-9._-]*$/.test(page.fileName)) return []
    const value = soundFileName(page.fileName, site.settings.separator)
    return [
      {
        place: { in: 'entry', entry: page.id },
        words: `The file name “${page.fileName}” has capitals, spaces or signs.`,
        gist: page.fileName,
        fix: { kind: 'setEntry', entry: page.id, field: 'fileName', value },
      },
    ]
  },
}
