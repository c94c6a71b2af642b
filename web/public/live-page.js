// Runs inside the sandboxed frame of a live page: says which link was followed, and where the page is scrolled to.
document.addEventListener(
  'click',
  (event) => {
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
