/** The addresses of the files of the example, by their paths in this folder. */
const FILES = import.meta.glob('../../../demo/pages/**', {
  query: '?url&no-inline',
  import: 'default',
  eager: true,
}) as Record<string, string>

/** The folder of hand-made pages that Viatica can be tried with. */
export function examplePages(): Promise<{ path: string; file: Blob }[]> {
  return Promise.all(
    Object.entries(FILES).map(async ([at, url]) => ({
      path: at.replace('../../../demo/pages/', ''),
      file: await (await fetch(url)).blob(),
    })),
  )
}
