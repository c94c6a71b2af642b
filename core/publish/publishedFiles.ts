import { addressesOf } from '../address/addresses.ts'
import { redirectsOf } from '../address/redirects.ts'
import { type OutputFile, outputFiles } from '../formats/archive.ts'
import { isWritten, type Site } from '../plan/site.ts'
import { PathTree } from '../standard/pathTree.ts'
import type { IncludesBy, OutputChoices } from './choices.ts'
import { canInclude, withIncludes } from './includes.ts'
import { rulesFile } from './redirectRules.ts'
import { isAtTop, robotsText } from './robots.ts'
import { pagesForSearch, sitemapFiles } from './sitemap.ts'

/** What a host gets beside the pages and files of the site. */
function besideFiles(site: Site, choices: OutputChoices): { readonly path: string; readonly text: string }[] {
  const sitemap = choices.sitemap ? sitemapFiles(site) : []
  const robots = choices.robots ? robotsText(site, sitemap.length > 0) : undefined
  const rules = choices.rules === 'none' ? undefined : rulesFile(site, choices.rules)
  return [
    ...sitemap,
    ...(robots === undefined ? [] : [{ path: 'robots.txt', text: robots }]),
    ...(rules && rules.text !== '' ? [rules] : []),
  ]
}

/** Every file that a host gets, with every page whole. */
function* wholeFiles(site: Site, year: number, choices: OutputChoices): Generator<OutputFile> {
  // One that rests is not written anyway: what stands there instead is.
  const redirects = choices.redirectPages ? [] : redirectsOf(site).filter(({ rests }) => rests === undefined)
  const left = new Set(redirects.map(({ from }) => from))
  const taken = new PathTree<true>()
  for (const file of outputFiles(site, year)) {
    taken.put(file.path, true)
    if (!left.has(file.path)) yield file
  }
  for (const { path, text } of besideFiles(site, choices))
    if (taken.inTheWay(path) === undefined) yield { path, text: () => text }
}

/**
 * Every file that a host gets, pages in plan order first. Where the author has a file of a name, ours does not hide it.
 * @param year of the build
 */
export function publishedFiles(site: Site, year: number, choices: OutputChoices): Generator<OutputFile> {
  const files = wholeFiles(site, year, choices)
  return choices.includes === 'none' ? files : withIncludes(files, site, choices.includes)
}

const SERVERS: Readonly<Record<Exclude<IncludesBy, 'none'>, string>> = {
  php: 'PHP reads pages that end in .php',
  ssi: 'Server Side Includes are read in pages that end in .shtml',
}

/** What was chosen and yet is not among the files, in words for the author: why, and what to do. */
export function leftOut(site: Site, choices: OutputChoices): string[] {
  const { files, settings } = site
  const taken = new PathTree<true>()
  for (const { path } of files.values()) taken.put(path, true)
  const own = besideFiles(site, choices).flatMap(({ path }) => {
    const there = taken.inTheWay(path)
    if (there === undefined) return []
    return [
      there === 'file'
        ? `${path} is your own file: it is published unchanged.`
        : `${path} is left out: one of your own files is in its way.`,
    ]
  })
  if (choices.sitemap && settings.baseUrl === '')
    own.push('sitemap.xml needs the base URL of the site: set it in Site settings.')
  else if (choices.sitemap && pagesForSearch(site).length === 0)
    own.push('sitemap.xml would list no page: all are kept out of search engines.')
  if (choices.robots && !isAtTop(site))
    own.push('robots.txt is read at the top of a host only, and this site stands in a folder there.')
  if (choices.includes !== 'none') {
    const { includes } = choices
    const paths = [...addressesOf(site).paths].flatMap(([id, path]) =>
      isWritten(site, site.plan.entries.get(id)) ? [path] : [],
    )
    if (!paths.some((path) => canInclude(path, includes)))
      own.push(`${SERVERS[includes]}, and this site has none: set the extension under Addresses.`)
    else if (includes === 'ssi' && settings.baseUrl === '')
      own.push(
        'Server Side Includes start at the top of the host: the base URL says whether the site does, too.',
      )
  }
  return own
}
