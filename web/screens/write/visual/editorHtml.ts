/** Whether a row is one of the head: all of its cells are headings of columns. */
function isHeadRow(row: Element): boolean {
  const cells = [...row.children]
  return (
    cells.length > 0 && cells.every((cell) => cell.tagName === 'TH' && cell.getAttribute('scope') !== 'row')
  )
}

function writeTable(table: Element): void {
  const caption = table.getAttribute('data-caption')
  table.removeAttribute('data-caption')
  const body = table.querySelector(':scope > tbody')!
  const rows = [...body.children]
  const heads = rows.slice(
    0,
    rows.findIndex((row) => !isHeadRow(row)),
  )
  if (heads.length > 0) {
    const head = document.createElement('thead')
    head.append(...heads)
    table.prepend(head)
  }
  if (caption) {
    const element = document.createElement('caption')
    element.textContent = caption
    table.prepend(element)
  }
}

/**
 * Main content from what the editor writes: items of lists without a paragraph of their own around their text, tables
 * with their caption and head.
 */
export function fromEditor(html: string): string {
  const template = document.createElement('template')
  template.innerHTML = html
  for (const paragraph of template.content.querySelectorAll('li > p:first-child')) {
    const after = [...paragraph.parentElement!.children].slice(1)
    if (after.every(({ tagName }) => tagName === 'UL' || tagName === 'OL'))
      paragraph.replaceWith(...paragraph.childNodes)
  }
  template.content.querySelectorAll('table').forEach(writeTable)
  // An empty paragraph is where one would go on writing.
  const last = template.content.lastElementChild
  if (last?.tagName === 'P' && last.childNodes.length === 0 && template.content.children.length > 1)
    last.remove()
  return template.innerHTML === '<p></p>' ? '' : template.innerHTML
}
