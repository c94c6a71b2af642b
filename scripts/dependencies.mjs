// Writes the table of direct dependencies in docs/reliability.md anew: their versions, their last releases, and why they
// are trusted. Needs the registry.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { ROOT } from './setup/paths.mjs'
import { main, SetupFault } from './setup/run.mjs'

const DOCUMENT = `${ROOT}/docs/reliability.md`
const [BEGIN, END] = ['<!-- dependencies -->', '<!-- end of dependencies -->']

/** Why packages are trusted, by the beginnings of their names: the longest that fits counts. */
const REASONS = {
  '@atlaskit/': 'drag and drop of a large company’s products, used there every day',
  '@codemirror/': 'the editor of the web’s developer tools, one author and many sponsors',
  '@lezer/': 'the parsers of CodeMirror, by its author',
  '@discoveryjs/':
    'JSON in pieces, by the author of css-tree, for reports of hundreds of megabytes; no dependencies',
  '@exodus/': 'the encodings of the web as its standard has them, used by jsdom; no dependencies',
  '@zip.js/': 'zip archives in browsers, one author for fifteen years, with a large test suite',
  fflate: 'zip archives in plain JavaScript, used by viewers and document libraries; no dependencies',
  '@fontsource': 'open fonts as packages, from their published sources',
  '@iconify-json/tabler': 'an icon set with a company behind it, as one file of data',
  '@tanstack/': 'tables and virtual lists, used by most frameworks',
  '@tiptap/': 'the editor toolkit over ProseMirror, with a company behind it',
  '@types/': 'types that the community of TypeScript reviews',
  '@swc/': 'the compiler of Next.js and Jest’s fast transform',
  '@sindresorhus/': 'a small function by an author of a thousand packages, with tests',
  '@playwright': 'Microsoft’s browser driver',
  '@eslint/': 'the linter’s own rules',
  '@vitejs/': 'Vite’s own plug-in for Vue',
  '@vue/': 'Vue’s own parts, by its team; tests only',
  '@vueuse/': 'the usual collection of functions for Vue, by members of its team',
  'axe-core': 'the accessibility checker of browsers’ own tools, an outside check; tests only',
  globals: 'a list of names by the author of many ESLint plug-ins',
  handlebars: 'templates of long standing, beside which rendering is measured; benchmarks only',
  'serve-handler': 'serves a folder, by the company of Next.js; tests only',
  'vnu-jar': 'the Nu HTML checker of the W3C, an outside check; tests only',
  'ant-design-vue': 'given by the platform; a component library with a large team',
  'any-ascii': 'a table of transliterations with tests in many languages',
  'character-entities-html4':
    'the names of HTML 4 as data, by the authors of the HTML syntax trees; no dependencies',
  c8: 'reports of the coverage that Node itself measures, by its contributors; tests only',
  comlink: 'Google’s thin layer over worker messages',
  cookie: 'the cookie parser of Express',
  'css-tree': 'the CSS parser of minifiers and linters',
  csv: 'the CSV package of long standing, used as an outside check',
  d3: 'the drawing library of data journalism',
  'dictionary-': 'Hunspell dictionaries as packages',
  diff: 'the text comparison of test runners',
  'js-tokens': 'the tokens of JavaScript as Babel’s error messages use them; no dependencies',
  srcset: 'the reader of srcset by an author of a thousand packages, with tests',
  'express-static-gzip': 'a thin layer over Express’s own serve-static, kept for ten years',
  echarts: 'given by the platform; a project of the Apache foundation',
  eslint: 'the linter of the language, its plugins by its community',
  express: 'given by the platform; the server of the OpenJS foundation',
  'express-rate-limit': 'the usual limiter for Express, with a team',
  'fake-indexeddb': 'IndexedDB in memory that passes the web platform tests; tests only',
  'fast-': 'small, used by ESLint’s and Ajv’s own tool chains',
  'fast-check': 'property tests, used by Jest itself; tests only',
  'file-': 'file types by content, and dropped folders; used by most upload forms',
  graphology: 'graphs, used as an outside check; tests only',
  hast: 'the unified collective’s tools for HTML trees',
  helmet: 'security headers, the usual choice for Express',
  'html-validate': 'an offline HTML checker, an outside check; tests only',
  'hunspell-wasm': 'Hunspell itself, the spelling checker of browsers and office suites, built for the web',
  idb: 'the usual small layer over IndexedDB, by a browser engineer',
  jest: 'given by the platform',
  '@jest/': 'a part of Jest, by its team; tests only',
  'jest-light-runner': 'what Prettier runs its tests with; by a maintainer of Babel',
  '@noble/hashes':
    'audited cryptography without dependencies; HMAC in the browser without TLS, checked against RFC 4231',
  'image-size': 'sizes of pictures from their headers; no dependencies, fuzzed here',
  'js-xxhash': 'a published hash in plain JavaScript, checked against its vectors',
  'jsonc-parser': 'Microsoft’s JSON parser with places, of its editor',
  knex: 'given by the platform; the query builder of long standing',
  'libphonenumber-js': 'the numbering plans of Google’s own library, with a release every month',
  linkinator: 'a link checker, an outside check; tests only',
  marked: 'Markdown, one of the two usual parsers',
  'robots-parser': 'reads robots.txt as RFC 9309 has it, an outside check; tests only',
  sitemap: 'ships the schema of sitemaps.org, an outside check; tests only',
  'basic-ftp': 'FTP with and without TLS, one author, used by most deployment tools; no dependencies',
  selfsigned: 'certificates for development servers, used by webpack’s; the stand-in host alone',
  ssh2: 'SSH and SFTP in plain JavaScript, the one that all others build on',
  'xmllint-wasm': 'libxml2’s checker as WebAssembly, an outside check; tests only',
  'ipaddr.js': 'ranges of addresses, used by Express itself',
  oxfmt:
    'formats as Prettier does, in a hundredth of its time; young, and pinned: Prettier could take its place',
  'p-limit': 'a queue of a few lines that most build tools use',
  papaparse: 'CSV in browsers, the usual choice',
  parse5: 'the HTML standard’s parser, used by jsdom and Angular',
  pg: 'given by the platform; PostgreSQL’s driver',
  pinia: 'given by the platform',
  pino: 'the usual fast logger, a project of the Fastify team',
  piscina: 'worker pools by members of Node’s own team',
  saxes: 'the XML parser of jsdom',
  'svg-': 'lists taken from the SVG standards by the author of unified',
  tsx: 'runs TypeScript in Node, the usual choice',
  typescript: 'given by the platform',
  'typescript-native': 'the same compiler in its native release, for what is not a screen; checks only',
  'unplugin-icons':
    'makes components of icons as screens are built, by a member of the teams of Vue and Vite',
  valibot: 'given by the platform',
  vfile: 'the unified collective’s files, and the heads of them',
  vite: 'given by the platform',
  vue: 'given by the platform',
  'wcag-contrast': 'the contrast formula, an outside check; tests only',
  xast: 'the unified collective’s tools for XML trees',
  yauzl: 'zip reading, used by Electron; tests only',
  yazl: 'zip writing by the author of yauzl',
}

const read = (path) => JSON.parse(readFileSync(`${ROOT}/${path}`, 'utf8'))

function reasonFor(name) {
  const fits = Object.keys(REASONS).filter((beginning) => name.startsWith(beginning))
  const best = fits.sort((a, b) => b.length - a.length)[0]
  return best ? REASONS[best] : undefined
}

function lastRelease(name) {
  const { stdout } = spawnSync('npm', ['view', name, 'time', '--json'], { encoding: 'utf8', cwd: ROOT })
  const times = Object.entries(JSON.parse(stdout || '{}')).filter(([version]) => /^\d/.test(version))
  const [, newest = ''] = times.sort(([, a], [, b]) => (a < b ? 1 : -1))[0] ?? []
  return newest.slice(0, 10)
}

await main(async () => {
  const { workspaces } = read('package.json')
  const lock = read('package-lock.json').packages
  /** Of each direct dependency its version and the name it has in the registry: that of the folder that asks for it, where it has one of its own. */
  const versions = new Map()
  for (const folder of ['.', ...workspaces]) {
    const { dependencies = {}, devDependencies = {} } = read(`${folder}/package.json`)
    for (const name of Object.keys({ ...dependencies, ...devDependencies })) {
      const there = lock[`${folder}/node_modules/${name}`] ?? lock[`node_modules/${name}`]
      if (!name.startsWith('@viatica/'))
        versions.set(name, { version: there.version, known: there.name ?? name })
    }
  }

  const rows = [...versions.keys()].sort().map((name) => {
    const reason = reasonFor(name)
    if (!reason) throw new SetupFault(`Say in scripts/dependencies.mjs why ${name} is trusted.`)
    const { version, known } = versions.get(name)
    return `| ${name} | ${version} | ${lastRelease(known)} | ${reason} |`
  })
  const table = [
    '| package | version | last release | why it is trusted |',
    '| --- | --- | --- | --- |',
    ...rows,
  ]
  const text = readFileSync(DOCUMENT, 'utf8')
  const [before, after] = [text.slice(0, text.indexOf(BEGIN)), text.slice(text.indexOf(END))]
  writeFileSync(DOCUMENT, `${before}${BEGIN}\n\n${table.join('\n')}\n\n${after}`)
})
