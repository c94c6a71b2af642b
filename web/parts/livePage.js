// Runs inside the sandboxed frame of a live page: says which link was followed, and how the page is laid out. Of a page
// whose elements carry their places in its source, it says which was pointed at.
document.addEventListener(
  'click',
  (event) => {
    const pointed = event.target.closest('[data-source-at]')
    if (pointed) {
      event.preventDefault()
      window.parent.postMessage({ viatica: 'point', at: Number(pointed.dataset.sourceAt) }, '*')
      return
    }
    const link = event.target.closest('a[href]')
    if (!link) return
    event.preventDefault()
    const href = link.getAttribute('href')
    if (href.startsWith('#')) document.getElementById(decodeURIComponent(href.slice(1)))?.scrollIntoView()
    else window.parent.postMessage({ viatica: 'follow', url: link.href }, '*')
  },
  true,
)
document.addEventListener('DOMContentLoaded', () =>
  document.querySelector('[data-found]')?.scrollIntoView({ block: 'center' }),
)
document.addEventListener('submit', (event) => event.preventDefault(), true)
// A file that is dropped here must not take the place of the page.
for (const type of ['dragover', 'drop'])
  document.addEventListener(type, (event) => event.preventDefault(), true)

// Where the pieces stand that comments mark: around all that is drawn of each.
function rectangleOf(nodes) {
  let all
  for (const node of nodes) {
    const drawn = node.nodeType === Node.TEXT_NODE ? document.createRange() : node
    if (!drawn.getBoundingClientRect) continue
    if (drawn !== node) drawn.selectNodeContents(node)
    const { left, top, right, bottom } = drawn.getBoundingClientRect()
    if (right - left < 1 || bottom - top < 1) continue
    all ??= { left, top, right, bottom }
    all.left = Math.min(all.left, left)
    all.top = Math.min(all.top, top)
    all.right = Math.max(all.right, right)
    all.bottom = Math.max(all.bottom, bottom)
  }
  if (!all) return undefined
  const { left, top, right, bottom } = all
  return { x: left + scrollX, y: top + scrollY, width: right - left, height: bottom - top }
}

function pieces() {
  const found = []
  const comments = document.createTreeWalker(document.body, NodeFilter.SHOW_COMMENT)
  while (comments.nextNode()) {
    const begins = /^piece (?!end)(.+)$/.exec(comments.currentNode.data)
    if (!begins) continue
    const nodes = []
    for (
      let node = comments.currentNode.nextSibling;
      node && node.data !== 'piece end';
      node = node.nextSibling
    )
      nodes.push(node)
    const at = rectangleOf(nodes)
    if (at) found.push({ id: decodeURIComponent(begins[1]), at })
  }
  return found
}

let said = ''
function sayLayout() {
  const main = document.getElementById('main')
  const content = main ? rectangleOf([main]) : undefined
  // That of the document is never less than its window's, which would not become less high any more.
  const { bottom } = document.body.getBoundingClientRect()
  const below = parseFloat(getComputedStyle(document.body).marginBottom)
  const height = Math.ceil(bottom + scrollY + below)
  const layout = { viatica: 'laid-out', url: location.href, height, content, pieces: pieces() }
  const now = JSON.stringify(layout)
  if (now === said) return
  said = now
  window.parent.postMessage(layout, '*')
}
document.addEventListener('DOMContentLoaded', () => {
  sayLayout()
  new ResizeObserver(sayLayout).observe(document.body)
})
// Pictures and fonts move what stands after them.
window.addEventListener('load', sayLayout)
document.fonts?.addEventListener('loadingdone', sayLayout)
