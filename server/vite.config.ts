import { defineConfig } from 'vite'

/**
 * The server as plain JavaScript: our own code in one file for the process and one for its threads, beside the packages
 * that are installed. Read as TypeScript it takes three times as long to start.
 */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    minify: false,
    sourcemap: true,
    rollupOptions: {
      // The thread stands beside what starts it, as it does in the sources (threads/workshop.ts).
      input: { main: 'main.ts', thread: 'threads/tasks.ts' },
      output: { entryFileNames: '[name].mjs', chunkFileNames: '[name].mjs' },
    },
  },
  ssr: { noExternal: [/^@viatica\//] },
})
