import { readFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { transform } from '@swc/core'

/** As in jest.config.mjs. */
const OPTIONS = {
  jsc: { target: 'es2023', parser: { syntax: 'typescript' } },
  module: { type: 'es6' },
  sourceMaps: 'inline',
}

/** The tests in browsers, which Playwright reads itself. */
const IN_BROWSERS = new URL('../../e2e/', import.meta.url).href

/** Loads TypeScript as a module, and leaves all else to Node. https://nodejs.org/docs/latest-v20.x/api/module.html#loadurl-context-nextload */
export async function load(url, context, nextLoad) {
  const { protocol, pathname, href } = new URL(url)
  if (protocol !== 'file:' || !pathname.endsWith('.ts')) return nextLoad(url, context)
  if (href.startsWith(IN_BROWSERS)) return nextLoad(url, context)
  const filename = fileURLToPath(href)
  const { code } = await transform(await readFile(filename, 'utf8'), { ...OPTIONS, filename })
  return { format: 'module', source: code, shortCircuit: true }
}
