import yauzl from 'yauzl'

/** The files of an archive by path, each byte one character. */
export async function filesOfArchive(archive: Buffer): Promise<Map<string, string>> {
  const files = new Map<string, string>()
  const zip = await yauzl.fromBufferPromise(archive)
  for await (const entry of zip.eachEntry()) {
    const pieces: Buffer[] = []
    for await (const piece of await zip.openReadStreamPromise(entry)) pieces.push(piece as Buffer)
    files.set(entry.fileName, Buffer.concat(pieces).toString('latin1'))
  }
  return files
}
