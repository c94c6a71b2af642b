/** Whether HTML holds a picture and no text, as browsers copy a picture of a page. */
function isPictureAlone(html: string): boolean {
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  return body.textContent.trim() === '' && body.querySelectorAll('img').length === 1
}

/**
 * Returns the files that a drop or a paste brings into a text. Programs put a picture of copied text next to the text: there,
 * the text is what the author wants.
 */
export function broughtFiles(data: DataTransfer | null): readonly File[] {
  const files = [...(data?.files ?? [])]
  if (!data || files.length === 0) return []
  const html = data.getData('text/html')
  const text = data.getData('text/plain').trim()
  const isText = html === '' ? text !== '' && !files.some(({ name }) => name === text) : !isPictureAlone(html)
  return isText ? [] : files
}
