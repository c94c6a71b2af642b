import { readFileSync } from 'node:fs'
import { build, type Plugin } from 'vite'

/**
 * Large packages that the screens and their workers need alike. A worker is built apart from the screens, so that each
 * would carry its own; as files of their own they are sent once.
 */
const SHARED = ['any-ascii', 'libphonenumber-js', 'parse5'] as const

const { packages } = JSON.parse(readFileSync(new URL('../package-lock.json', import.meta.url), 'utf8')) as {
  packages: Readonly<Record<string, { readonly version: string }>>
}

/** Where each stands when it is built. */
const PATHS = Object.fromEntries(
  SHARED.map((name) => [name, `/assets/${name}-${packages[`node_modules/${name}`]!.version}.js`]),
)

/** What a build leaves to these files. */
export const LEFT_TO_SHARED = {
  external: [...SHARED],
  output: { paths: PATHS },
}

/** Builds the files. */
export const sharedPackages = (): Plugin => ({
  name: 'shared-packages',
  apply: 'build',
  async writeBundle({ dir = 'dist' }) {
    for (const name of SHARED) {
      const entry = `\0${name}`
      await build({
        configFile: false,
        logLevel: 'error',
        publicDir: false,
        plugins: [
          {
            name: 'entry',
            resolveId: (id) => (id === entry ? id : undefined),
            // Of a package that gives out one thing alone there are no names.
            load: (id) =>
              id === entry
                ? `export * from '${name}'\nimport * as all from '${name}'\nexport default all.default`
                : undefined,
          },
        ],
        build: {
          outDir: dir,
          emptyOutDir: false,
          copyPublicDir: false,
          rollupOptions: {
            input: entry,
            preserveEntrySignatures: 'strict',
            output: { entryFileNames: PATHS[name]!.slice(1) },
          },
        },
      })
    }
  },
})
