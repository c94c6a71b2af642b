/** So many bytes are given to one call at a time: an engine takes no more arguments. */
const STEP = 0x8000

/** Bytes in base64, RFC 4648 section 4. */
export function base64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += STEP)
    text += String.fromCharCode(...bytes.subarray(at, at + STEP))
  return btoa(text)
}
