import { defineConfig } from 'vite'

/**
 * Packages of many small files, which found and read one by one take most of the time that it takes to start. They depend on
 * no others: those would be looked for from here, where another version may stand.
 */
const BUNDLED = ['libphonenumber-js', '@exodus/bytes']

/**
 * How a part that runs in Node is built: our own code as plain JavaScript beside the packages that are installed. Read as
 * TypeScript it takes three times as long to start.
 * @param input the source of each file that is started, by its name
 */
export const nodeBuild = (input) =>
  defineConfig({
    build: {
      ssr: true,
      target: 'node20',
      minify: false,
      sourcemap: true,
      rollupOptions: { input, output: { entryFileNames: '[name].mjs', chunkFileNames: '[name].mjs' } },
    },
    ssr: { noExternal: [/^@viatica\//, ...BUNDLED] },
  })
