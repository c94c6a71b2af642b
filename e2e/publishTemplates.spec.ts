import { bring } from '@viatica/core/existing/bring.ts'
import { writeSiteFile } from '@viatica/core/formats/siteFile.ts'
import { press, publish, test, toPublish } from './publishing.ts'
import { choose, expect, openAt, saved } from './viatica.ts'

/** A page of an author's own HTML, with a menu in which the page itself is no link. */
const page = (title: string, here: string) => `<html>
<head>
<title>${title} - Mill Lane Gardens</title>
</head>
<body>
<table class="links">
${[
  ['index.html', 'Start'],
  ['roses.html', 'Roses'],
  ['herbs.html', 'Herbs'],
]
  .map(([path, label]) =>
    label === here ? `<tr><td><b>${label}</b></td></tr>` : `<tr><td><a href="${path}">${label}</a></td></tr>`,
  )
  .join('\n')}
</table>
<h1>${title}</h1>
<p>About ${title.toLowerCase()}, and how they grow here.</p>
<p class="foot">Mill Lane Gardens, open daily</p>
</body>
</html>
`
const PAGES = [
  ['index.html', page('Welcome', 'Start')],
  ['roses.html', page('Roses', 'Roses')],
  ['herbs.html', page('Herbs', 'Herbs')],
] as const

test('what changes on a page of an author’s own HTML is named by its template, in the list of changes', async ({
  page: window,
  publishing,
}) => {
  test.slow()
  const files = PAGES.map(([path, text]) => ({ path, bytes: new TextEncoder().encode(text) }))
  const { site, ids } = bring(files)
  const response = await fetch(`${publishing.url}/api/sites`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/vnd.viatica.site+json' },
    body: writeSiteFile(site, new Map()),
  })
  const { id } = (await response.json()) as { id: string }
  await openAt(window, publishing, `/sites/${id}/plan`)
  await toPublish(window)
  await window.getByLabel('Name', { exact: true }).fill('Trial')
  const way = window.getByLabel('Connection', { exact: true })
  await way.focus()
  await way.selectOption({ label: 'Test host on this computer' })
  await press(window.getByRole('button', { name: 'Add host' }))
  await publish(window, 1)

  await press(window.getByRole('link', { name: 'Plan', exact: true }))
  await choose(window, ids.get('roses.html')!)
  const label = window.getByRole('complementary').getByLabel('Menu label', { exact: true })
  await label.fill('Old roses')
  await label.press('Tab')
  await saved(window)
  await toPublish(window)
  const rows = window.getByRole('region', { name: 'What changes' }).locator('.changed-file')
  await press(rows.filter({ hasText: 'herbs.html' }))
  const dialog = window.getByRole('dialog')
  await expect(dialog).toContainText(/Differs in:\s*menu/)
  const after = dialog.getByRole('region', { name: 'After publishing' })
  await expect(after).toContainText('Old roses')
  await expect(after).toContainText('main content')
  await expect(after).toContainText('footer')
})
