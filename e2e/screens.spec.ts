import { readFileSync } from 'node:fs'
import { demoSiteFile } from '@viatica/demo/load.ts'
import {
  axeFindings,
  choose,
  choosePiece,
  expect,
  openDemo,
  openAt,
  reveal,
  row,
  rowNamed,
  saved,
  test,
  writeSource,
} from './viatica.ts'

test.describe('the list of sites', () => {
  test('makes, opens and removes sites, and says when there are none', async ({ page, served, watched }) => {
    await openAt(page, served, '/')
    await expect(page.getByRole('link', { name: /Wetherlock Canal Trust 41 pages/ })).toBeVisible()
    expect(await axeFindings(page)).toEqual([])

    await page.getByRole('button', { name: 'Create site' }).click()
    await expect(page.getByRole('alert')).toContainText('Give the new site a name')
    await page.getByLabel('Site name').fill('Parish <hall>')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('treeitem')).toHaveCount(1)
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('Home')

    await page.getByRole('link', { name: /all sites/ }).click()
    for (const name of ['Parish <hall>', 'Ashcombe Allotments', 'Wetherlock Canal Trust']) {
      await page.getByRole('button', { name: new RegExp(`Remove ${name}`) }).click()
      expect(await axeFindings(page)).toEqual([])
      await page.getByRole('button', { name: 'Delete permanently' }).click()
      await expect(page.getByRole('link', { name })).toHaveCount(0)
    }
    await expect(page.getByText('There is no site yet')).toBeVisible()
    expect(watched).toEqual({ errors: [], strangers: [] })
  })

  test('the list and a site come with little script: 150 and 450 kB over the wire at most', async ({
    browser,
    served,
  }) => {
    // Nothing is kept of earlier windows.
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const page = await context.newPage()
    await openDemo(page, served)
    await expect(page.frameLocator('iframe').getByRole('heading', { level: 1 })).toBeVisible()
    const bytes = await page.evaluate(() => {
      const all = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
      // On a slow machine, what is needed later is already being fetched by now: it belongs to neither.
      const later = all.find(({ name }) => name.endsWith('/later.json'))?.startTime ?? Infinity
      return all
        .filter(
          ({ name, transferSize, startTime }) =>
            name.endsWith('.js') && transferSize > 0 && startTime < later,
        )
        .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0)
    })
    expect(bytes).toBeGreaterThan(100_000)
    expect(bytes).toBeLessThan(600_000)
    await context.close()
  })

  test('takes a site from a file, and says where a bad file is at fault', async ({ page, served }) => {
    await openAt(page, served, '/')
    const chooser = page.getByLabel('Site file, outline or rows')
    const file = (name: string, text: string) => ({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
    await chooser.setInputFiles(file('bad.json', demoSiteFile().slice(0, 4000)))
    await expect(page.getByRole('alert')).toContainText(
      /Line \d+, column \d+: This is not a site file, or it is cut off/,
    )
    await chooser.setInputFiles(file('bomb.opml', '<!DOCTYPE opml [<!ENTITY a "b">]><opml/>'))
    await expect(page.getByRole('alert')).toContainText('declarations of its own')
    await expect(page.getByRole('listitem')).toHaveCount(2)
    await chooser.setInputFiles(
      file(
        'plan.opml',
        '<opml version="2.0"><head><title>Course</title></head><body><outline text="Lesson 1"/><outline text="Lesson 2"/></body></opml>',
      ),
    )
    await expect(page.getByRole('treeitem')).toHaveCount(3)
    await expect(page.getByRole('treeitem').nth(2)).toContainText('lesson-2')
  })
})

test.describe('Plan', () => {
  test('sets every field of an entry, and the live page follows', async ({ page, served, watched }) => {
    await openDemo(page, served)
    await choose(page, 'tanyard')
    const details = page.getByRole('complementary')
    const live = page.frameLocator('iframe')

    await details.getByLabel('Title', { exact: true }).fill('Tanyard Locks')
    await page.keyboard.press('Enter')
    await expect(live.getByRole('heading', { level: 1 })).toHaveText('Tanyard Locks')
    await expect(details.getByText('boating/lock-guide/tanyard-locks.html')).toBeVisible()
    await details.getByLabel('Page heading (h1)').fill('Three chambers')
    await expect(live.getByRole('heading', { level: 1 })).toHaveText('Three chambers')
    await details.getByLabel('Menu label').fill('Tanyard')
    await page.keyboard.press('Enter')
    await expect(live.getByRole('navigation', { name: 'Breadcrumb' })).toContainText('Tanyard')

    // A file name is made sound, and shown before it is saved.
    await details.getByLabel('File name').fill('Über Tanyard!')
    await expect(details.getByText('will be saved as uber-tanyard')).toBeVisible()
    await details.getByLabel('Private note').click()
    await expect(details.getByLabel('File name')).toHaveValue('uber-tanyard')
    await expect(details.getByText('boating/lock-guide/uber-tanyard.html')).toBeVisible()
    await details.getByLabel('Private note').fill('Ask about the paddles')

    await details.locator('label', { hasText: 'planned' }).click()
    await expect(page.getByText('planned: not in menus')).toBeVisible()
    await details.locator('label', { hasText: 'ready' }).click()
    await details.getByRole('checkbox', { name: 'menus' }).uncheck()
    await expect(row(page, 'tanyard').getByLabel('not in menus')).toBeVisible()
    await details.getByRole('checkbox', { name: 'previous/next' }).uncheck()
    await expect(details.getByText('it is not in the reading order')).toBeVisible()

    // An unclosed element stays inside main.
    await writeSource(page, '<div><b>Open <a href="entry:visit">visit</a>')
    await expect(live.locator('main b')).toHaveText('Open visit')
    await expect(live.locator('main footer')).toHaveCount(0)
    await expect(live.getByRole('contentinfo')).toBeVisible()

    await saved(page)
    await page.getByRole('link', { name: 'Plan', exact: true }).click()
    await page.reload()
    await choose(page, 'tanyard')
    await expect(details.getByLabel('Title', { exact: true })).toHaveValue('Tanyard Locks')
    await expect(details.getByLabel('Private note')).toHaveValue('Ask about the paddles')
    expect(watched).toEqual({ errors: [], strangers: [] })
  })

  test('a link followed in the live page chooses its page; one that leaves the site is told', async ({
    page,
    served,
  }) => {
    await openDemo(page, served)
    await choose(page, 'tanyard')
    await page.getByText('360', { exact: true }).click()
    await page.frameLocator('iframe').getByRole('link', { name: 'lock keeper' }).click()
    await expect(row(page, 'lock-keepers')).toHaveAttribute('aria-selected', 'true')
    await page.frameLocator('iframe').getByRole('button', { name: 'Menu', exact: true }).click()
    await page.frameLocator('iframe').locator('header').getByRole('link', { name: 'Shop' }).click()
    await expect(page.getByRole('alert')).toContainText(
      'leads out of the site, to https://shop.example.org/wetherlock',
    )
  })

  test('scripts of the author’s content do not run in Viatica, and reach nothing of it', async ({
    page,
    served,
  }) => {
    const id = await openDemo(page, served)
    await choose(page, 'privacy')
    const body =
      '<p id="probe">quiet</p><script>document.getElementById("probe").textContent = "ran"; parent.document.title = "taken"</script><img src="x" onerror="document.title=1">'
    await writeSource(page, body)
    await expect(page.frameLocator('iframe').locator('#probe')).toHaveText('quiet')
    await saved(page)
    await expect(page).toHaveTitle('Wetherlock Canal Trust · Viatica')
    await page.goto(`${served.url}/preview/${id}/privacy.html`)
    await expect(page.locator('#probe')).toHaveText('quiet')
    expect(await page.evaluate(() => window.origin)).toBe('null')
  })

  test('a frame from elsewhere is named in previews, and is no error there', async ({
    page,
    served,
    watched,
  }) => {
    const id = await openDemo(page, served)
    await choose(page, 'privacy')
    await writeSource(page, '<p>Film</p><iframe src="https://video.example.org/1" title="Film"></iframe>')
    const live = page.frameLocator('iframe').frameLocator('iframe')
    await expect(live.getByText('Embedded: video.example.org')).toBeVisible()
    await saved(page)
    await page.goto(`${served.url}/preview/${id}/privacy.html`)
    await expect(page.frameLocator('iframe').getByText('Embedded: video.example.org')).toBeVisible()
    expect(watched).toEqual({ errors: [], strangers: [] })
  })

  test('groups and links are added, and a link is given its target', async ({ page, served }) => {
    await openDemo(page, served)
    await choose(page, 'shop')
    await row(page, 'shop').getByRole('button', { name: 'Actions' }).click()
    await page.getByRole('menuitem', { name: 'Add group' }).click()
    await page.getByLabel('Name of the new group').fill('For members')
    await page.keyboard.press('Enter')
    await expect(page.getByText('A group has no page of its own')).toBeVisible()
    await rowNamed(page, 'For members').getByRole('button', { name: 'Actions' }).click()
    await page.getByRole('menuitem', { name: 'Add link' }).click()
    await page.getByLabel('Name of the new link').fill('Forum')
    await page.keyboard.press('Enter')
    await page.getByLabel('Leads to').selectOption('an address elsewhere')
    const address = page.getByLabel('Address', { exact: true })
    await address.fill('javascript:alert(1)')
    await expect(page.getByRole('alert')).toContainText('must be an address that starts with http')
    await address.fill('https://forum.example.org/')
    await expect(rowNamed(page, 'Forum')).toContainText('forum.example.org')
    await page.keyboard.press('Escape')
    // What is under a group shows in the menu.
    await rowNamed(page, 'Forum').click()
    await page.keyboard.press('Alt+ArrowUp')
    await page.keyboard.press('Alt+ArrowDown')
    await page.keyboard.press('Alt+ArrowRight')
    // A move that moves no address asks nothing.
    await expect(rowNamed(page, 'Forum')).toHaveAttribute('aria-level', '3')
    await choose(page, 'home')
    await expect(
      page.frameLocator('iframe').getByRole('button', { name: 'More in For members' }),
    ).toBeVisible()
    await saved(page)
  })

  test('what is asked about a change is not asked any more once its site is left', async ({
    page,
    served,
  }) => {
    await openDemo(page, served)
    // A page that was shown for a while is a step of its own on the way back.
    const leave = async () => {
      while (page.url() !== `${served.url}/`) await page.goBack()
    }
    await choose(page, 'stoppages')
    await page.keyboard.press('Alt+ArrowLeft')
    await expect(page.getByRole('dialog')).toContainText('1 address')
    await leave()
    await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).click()
    await expect(row(page, 'stoppages')).toHaveAttribute('aria-level', '3')
    await expect(page.getByRole('dialog')).toHaveCount(0)
    await choose(page, 'stoppages')
    await page.keyboard.press('Delete')
    await expect(page.getByRole('dialog')).toBeVisible()
    await leave()
    await page.getByRole('link', { name: /Wetherlock Canal Trust/ }).click()
    await expect(row(page, 'stoppages')).toBeVisible()
    await expect(page.getByRole('dialog')).toHaveCount(0)
  })

  test('works by keyboard: the tree, its keys, and the list of them', async ({ page, served }) => {
    await openDemo(page, served)
    await row(page, 'home').focus()
    await page.keyboard.press('End')
    await expect(row(page, 'privacy')).toBeFocused()
    await page.keyboard.press('Home')
    await page.keyboard.press('ArrowDown')
    await expect(row(page, 'visit')).toBeFocused()
    await page.keyboard.press('ArrowLeft')
    await expect(row(page, 'visit')).toHaveAttribute('aria-expanded', 'false')
    await page.keyboard.press('ArrowDown')
    await expect(row(page, 'boating')).toBeFocused()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toContainText('Shift Enter')
    await page.keyboard.press('Escape')
    await expect(row(page, 'boating')).toBeFocused()
    await page.keyboard.press('Home')
    await page.keyboard.press('Delete')
    await expect(page.getByRole('alert')).toContainText('cannot be removed')
  })
})

test.describe('Surround', () => {
  test('its settings show on the chosen page at once, whichever that is', async ({
    page,
    served,
    watched,
  }) => {
    await openDemo(page, served)
    await page.getByRole('link', { name: 'Surround' }).click()
    const shown = page.frameLocator('iframe')
    const settings = page.getByRole('complementary')
    await choosePiece(page, 'brand')
    await settings.getByLabel('Name of the site').fill('The <Wetherlock> Canal')
    await choosePiece(page, 'copyright')
    await settings.getByLabel('Holder').fill('The trust')
    await settings.getByLabel('First year').fill('')
    await choosePiece(page, 'office')
    await settings.getByLabel('Lines').fill('trust@example.org')
    await page.getByRole('link', { name: 'Labels', exact: true }).click()
    await page.getByLabel('Next', { exact: true }).fill('Onward')
    await page.getByRole('link', { name: 'Current page', exact: true }).click()
    await settings.getByLabel('The item of the current page').selectOption('becomes plain text')
    await page.getByRole('link', { name: 'Menus', exact: true }).click()
    await settings.getByLabel('Shows').selectOption('1 level')
    for (const [name, heading] of [
      ['Visit', /^Visit/],
      ['Wether Bottom Lock', /^Wether Bottom Lock/],
      ['Home', /^A canal brought back/],
    ] as const) {
      await page.getByRole('button', { name: `Show the page ${name}` }).click()
      await expect(shown.locator('h1')).toHaveText(heading)
      await expect(shown.locator('.brand-name')).toHaveText('The <Wetherlock> Canal')
      await expect(shown.locator('.copyright')).toHaveText(`© ${new Date().getFullYear()} The trust`)
      await expect(shown.locator('.pager a[rel=next] .pager-word')).toHaveText('Onward')
      await expect(shown.locator('a[href="mailto:trust@example.org"]')).toHaveCount(1)
    }
    await expect(shown.locator('header span.here')).toHaveText('Home')
    await expect(shown.locator('.menu-open')).toHaveCount(0)

    const picture = {
      name: 'Our Mark.svg',
      mimeType: 'image/svg+xml',
      buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
    }
    await page.getByRole('link', { name: 'Pieces', exact: true }).click()
    await choosePiece(page, 'brand')
    await page.getByLabel('Picture of the site from disk').setInputFiles(picture)
    await expect(shown.locator('.brand img')).toHaveAttribute('src', 'pictures/our-mark.svg')
    await choose(page, 'wether-bottom')
    await expect(shown.locator('.brand img')).toHaveAttribute('src', '../../pictures/our-mark.svg')
    await page.getByLabel('Alternative text').fill('A lock')
    await expect(shown.locator('.brand img')).toHaveAttribute('alt', 'A lock')
    await page.getByLabel('Picture of the site from disk').setInputFiles({ ...picture, name: 'x.png' })
    await expect(page.getByRole('alert')).toContainText('does not match its extension')
    await saved(page)
    expect(watched.strangers).toEqual([])
  })

  test('the site is taken away as a site file and as an outline, too', async ({ page, served }) => {
    await openDemo(page, served)
    await page.getByRole('link', { name: 'Surround' }).click()
    for (const [words, name] of [
      ['site file', 'wetherlock-canal-trust.site.json'],
      ['outline', 'wetherlock-canal-trust.opml'],
    ] as const) {
      await page.getByRole('button', { name: 'Export as …' }).click()
      const downloading = page.waitForEvent('download')
      await page.getByRole('menuitem', { name: words }).click()
      const download = await downloading
      expect(download.suggestedFilename()).toBe(name)
      expect(readFileSync(await download.path(), 'utf8')).toContain('Tanyard Staircase')
    }
  })
})

test('the address of a screen says what is chosen: loaded anew, gone back to, opened elsewhere, and when it is gone', async ({
  page,
  served,
  watched,
}) => {
  const id = await openDemo(page, served)
  const here = () => page.locator('[aria-label=Plan] [role=treeitem][aria-current=true]')
  await expect(page).toHaveURL(/plan\?page=home$/)
  await page.waitForTimeout(1100)
  await choose(page, 'boating')
  await expect(page).toHaveURL(/plan\?page=boating$/)
  await page.getByRole('link', { name: 'Write', exact: true }).click()
  await expect(page).toHaveURL(/write\?page=boating$/)
  await page.waitForTimeout(1100)
  await choose(page, 'otters')
  await expect(page).toHaveURL(/write\?page=otters$/)
  // What is typed, and the page that follows it below, leave no steps.
  const steps = await page.evaluate(() => history.length)
  await page.getByRole('textbox', { name: 'Main content' }).click()
  await page.keyboard.type('More of them. ')
  await saved(page)
  await expect(page.frameLocator('iframe').getByText('More of them.')).toBeVisible()
  expect(await page.evaluate(() => history.length)).toBe(steps)
  await page.goBack()
  await expect(here()).toHaveAttribute('data-entry', 'boating')
  await page.goBack()
  await expect(page).toHaveURL(/plan\?page=boating$/)
  await page.goBack()
  await expect(here()).toHaveAttribute('data-entry', 'home')
  await page.goForward()
  await expect(here()).toHaveAttribute('data-entry', 'boating')
  await page.reload()
  await expect(here()).toHaveAttribute('data-entry', 'boating')

  await page.getByRole('link', { name: 'Proof' }).click()
  await page.getByRole('main').getByRole('list', { name: 'Findings' }).getByRole('button').first().click()
  await expect(page).toHaveURL(/finding=/)
  const words = await page.getByRole('complementary').getByRole('heading', { level: 2 }).textContent()
  const other = await page.context().newPage()
  await other.goto(page.url())
  await expect(other.getByRole('complementary').getByRole('heading', { level: 2 })).toHaveText(words!)

  // Removed in one window, it is told in the other, with the way to what it stood under.
  await other.goto(`${served.url}/sites/${id}/plan?page=tanyard`)
  await expect(other.locator('[aria-current=true][role=treeitem]')).toHaveAttribute('data-entry', 'tanyard')
  await choose(page, 'tanyard')
  await page.keyboard.press('Delete')
  await page.getByRole('dialog').getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.locator('[role=treeitem]:focus')).toHaveAttribute('data-entry', 'mill-lock')
  await expect(other.getByText('This page is not in the plan any more.')).toBeVisible()
  await other.getByRole('button', { name: 'Go to “Lock guide”' }).click()
  await expect(other).toHaveURL(/page=lock-guide$/)
  await other.goto(`${served.url}/sites/${id}/plan?page=tanyard`)
  await expect(other.getByText('This page is not in the plan any more.')).toBeVisible()
  await other.goto(`${served.url}/sites/${id}/plam`)
  await expect(other.getByRole('heading', { name: 'This address leads nowhere' })).toBeVisible()
  const missing = await other.goto(`${served.url}/preview/${id}/boating/gone.html`)
  expect(missing!.status()).toBe(404)
  await expect(other.getByRole('heading', { name: 'Not found' })).toBeVisible()
  expect(watched.errors.filter((error) => !error.includes('404'))).toEqual([])
})

test('menus and lists of choices are used by keys as everywhere', async ({ page, served }) => {
  await openDemo(page, served)
  await choose(page, 'boating')
  const actions = row(page, 'boating').getByRole('button', { name: 'Actions' })
  await actions.focus()
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('menuitem', { name: 'Remove' })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('menuitem', { name: 'Add page' })).toBeFocused()
  await page.keyboard.press('r')
  await expect(page.getByRole('menuitem', { name: 'Rename' })).toBeFocused()
  await page.keyboard.press('Escape')
  await expect(actions).toBeFocused()
  await expect(page.getByRole('menu')).toHaveCount(0)
  await page.keyboard.press('Enter')
  await page.keyboard.press('End')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: /Remove “Boating”/ })).toBeVisible()
  await page.keyboard.press('Escape')

  // Under another page: a few letters and Enter.
  await choose(page, 'otters')
  await page.keyboard.press('m')
  await expect(page.getByRole('combobox', { name: 'New parent' })).toBeFocused()
  await page.keyboard.type('visit')
  await page.keyboard.press('Enter')
  await page.getByRole('dialog').getByRole('button', { name: 'Move', exact: true }).click()
  await expect(row(page, 'otters')).toBeFocused()
  await expect(row(page, 'otters')).toHaveAttribute('aria-level', '3')

  // Ctrl+Z wherever no text is edited, a select too; arrows choose in it, Enter acts.
  await page.getByRole('link', { name: 'Surround' }).click()
  await page.getByRole('link', { name: 'Current page', exact: true }).click()
  const select = page.getByLabel('The item of the current page')
  const held = await select.inputValue()
  await select.focus()
  await page.keyboard.press('ArrowDown')
  await expect(select).not.toHaveValue(held)
  const undo = page.locator('header').getByRole('button', { name: 'Undo' })
  await expect(undo).toHaveAttribute('title', /moved/)
  await page.keyboard.press('Enter')
  await expect(undo).not.toHaveAttribute('title', /moved/)
  await page.keyboard.press('Control+z')
  await expect(select).toHaveValue(held)
  await expect(undo).toHaveAttribute('title', /moved/)

  // A piece by keys.
  await page.getByRole('link', { name: 'Pieces', exact: true }).click()
  await page.getByRole('button', { name: 'Add a piece: Footer' }).focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(undo).toHaveAttribute('title', /Footer|footer|piece/)

  // Past the outline to the work.
  await page.reload()
  await expect(page.getByRole('tree', { name: 'Plan' })).toBeVisible()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('main')).toBeFocused()
})

test('axe-core finds nothing on any screen, with its dialogs and menus open', async ({
  page,
  served,
  watched,
}) => {
  // Every screen, one after the other.
  test.slow()
  await openDemo(page, served)
  expect(await axeFindings(page)).toEqual([])
  for (const id of ['tanyard', 'walks', 'shop']) {
    await choose(page, id)
    expect(await axeFindings(page)).toEqual([])
  }
  await row(page, 'shop').getByRole('button', { name: 'Actions' }).click()
  await expect(page.getByRole('menuitem', { name: 'Rename' })).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Escape')
  await choose(page, 'boating')
  await page.keyboard.press('Delete')
  await expect(page.getByRole('dialog')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Keyboard shortcuts' }).click()
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Escape')
  for (const view of ['Structure', 'Inventory', 'Addresses', 'Statistics', 'History']) {
    await page.getByRole('link', { name: view, exact: true }).click()
    await expect(page.getByRole('heading', { level: 1, name: `Plan: ${view}` })).toBeAttached()
    expect(await axeFindings(page)).toEqual([])
  }
  await page.getByRole('link', { name: 'Addresses', exact: true }).click()
  await page.getByText('Pins and redirects').click()
  await page.getByRole('button', { name: 'Pin all' }).click()
  expect(await axeFindings(page)).toEqual([])
  await choose(page, 'visit')
  for (const [key, title] of [
    ['c', /Copy/],
    ['m', /Move/],
    ['F2', undefined],
  ] as const) {
    await page.keyboard.press(key)
    if (title) await expect(page.getByRole('dialog', { name: title })).toBeVisible()
    expect(await axeFindings(page)).toEqual([])
    await page.keyboard.press('Escape')
  }
  await page.getByRole('button', { name: 'Paste list', exact: true }).click()
  await page.keyboard.type('One\n      Two\nTwo')
  await expect(page.getByText('the same title stands on line')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Add 3 entries' }).click()
  await page.getByRole('button', { name: 'Show', exact: true }).click()
  await expect(page.getByRole('dialog')).toContainText('pages more')
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('button', { name: 'Close' }).click()
  await page.keyboard.press('/')
  await page.keyboard.type('lock')
  await expect(page.getByRole('option').first()).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Page', exact: true }).click()
  await choose(page, 'visit')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(page.getByText('2 entries chosen')).toBeVisible()
  expect(await axeFindings(page)).toEqual([])
  await page.getByRole('link', { name: 'Surround' }).click()
  expect(await axeFindings(page)).toEqual([])
  for (const id of ['main-menu', 'footer-links', 'mistake', 'actions']) {
    await choosePiece(page, id)
    expect(await axeFindings(page)).toEqual([])
  }
  for (const view of ['Menus', 'Current page', 'Design', 'Labels', 'Files', 'Source', 'Compare']) {
    await page.getByRole('link', { name: view, exact: true }).click()
    await expect(page.getByRole('heading', { level: 1, name: `Surround: ${view}` })).toBeAttached()
    expect(await axeFindings(page)).toEqual([])
  }
  await page.getByRole('link', { name: 'Settings' }).click()
  for (const view of ['Addresses', 'Dictionary', 'General']) {
    await page.getByRole('navigation', { name: 'Settings' }).getByRole('link', { name: view }).click()
    expect(await axeFindings(page)).toEqual([])
  }
  await choose(page, 'lock-guide')
  for (const way of ['Visual', 'HTML']) {
    await page.getByRole('link', { name: 'Write', exact: true }).click()
    await page.getByRole('link', { name: way }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Write: Lock guide' })).toBeAttached()
    expect(await axeFindings(page)).toEqual([])
    for (const dialog of ['Link', 'Picture']) {
      await page.getByRole('button', { name: dialog, exact: true }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
      expect(await axeFindings(page)).toEqual([])
      await page.keyboard.press('Escape')
    }
  }
  for (const stop of ['Surround', 'Write', 'Proof', 'Publish']) {
    await page.getByRole('link', { name: stop }).click()
    await expect(page.getByRole('link', { name: stop })).toHaveAttribute('aria-current', 'page')
    expect(await axeFindings(page)).toEqual([])
  }
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test('what holds for the whole site has one place: its name, language, icon, titles, addresses and dictionary', async ({
  page,
  served,
  watched,
}) => {
  const id = await openDemo(page, served)
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByLabel('Name', { exact: true }).fill('The Wetherlock')
  await page.getByLabel('Title of a page').fill('{site}: {title}')
  await expect(page.getByRole('table', { name: 'Browser titles now' })).toContainText(
    'The Wetherlock: Visit the canal',
  )
  await page.getByLabel('Base URL').fill('https://example.org/canal')
  await page.getByLabel('Base URL').press('Enter')
  await expect(page.getByLabel('Base URL')).toHaveValue('https://example.org/canal/')
  await page.getByLabel('Language').fill('english please')
  await page.getByLabel('Language').press('Enter')
  await expect(page.getByRole('alert')).toContainText('language tag')
  await page.getByLabel('Language').fill('en-GB')
  await page.getByLabel('Icon from disk').setInputFiles({
    name: 'Mark.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
  })
  await expect(page.getByLabel('Icon', { exact: true })).toContainText('mark.svg')
  await page.getByRole('link', { name: 'Addresses', exact: true }).last().click()
  await page.getByLabel('Folder structure').selectOption('folders')
  await page.getByRole('button', { name: 'Apply' }).click()
  await page.getByRole('link', { name: 'Dictionary' }).click()
  await page.getByLabel('Add words').fill('Harrock, Lidgate')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('listitem').filter({ hasText: 'Lidgate' })).toBeVisible()
  await page.getByRole('button', { name: 'Remove Harrock from dictionary' }).click()
  await expect(page.getByText('Harrock')).toHaveCount(0)
  await saved(page)
  const response = await fetch(`${served.url}/preview/${id}/visit/index.html`)
  const html = await response.text()
  expect(html).toContain('<title>The Wetherlock: Visit the canal</title>')
  expect(html).toContain('<link rel="icon" href="../pictures/mark.svg" type="image/svg+xml" sizes="any">')
  expect(html).toContain('<link rel="canonical" href="https://example.org/canal/visit/index.html">')
  expect(watched).toEqual({ errors: [], strangers: [] })
})

test.describe('saving', () => {
  test('while the database is stopped the page says so, keeps the edits, and saves them when it is back', async ({
    page,
    servedAlone: served,
    watched,
  }) => {
    const id = await openDemo(page, served)
    await served.gate.shut()
    await choose(page, 'news')
    await page.getByLabel('Title', { exact: true }).fill('Fresh news')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Could not save', { exact: true })).toBeVisible()
    await expect(page.getByRole('alert')).toContainText('The database cannot be reached')
    await page.getByLabel('Description for search engines').fill('What is new.')
    await expect(rowNamed(page, 'Fresh news')).toBeVisible()
    expect(await axeFindings(page)).toEqual([])
    await served.gate.reopen()
    await saved(page)
    await page.goto(`${served.url}/preview/${id}/fresh-news.html`)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Fresh news')
    await expect(page.locator('meta[name=description]')).toHaveAttribute('content', 'What is new.')
    // The browser itself reports what it could not load; there is no other error.
    expect(
      watched.errors.filter((error) => !/^(Failed to load resource|Access to font)/.test(error)),
    ).toEqual([])
  })

  test('the same when the server itself is gone for a while', async ({ page, servedAlone: served }) => {
    await openDemo(page, served)
    // Every screen is at hand as soon as its files were fetched.
    const later = (await (await fetch(`${served.url}/later.json`)).json()) as string[]
    const missing = () =>
      page.evaluate((paths) => {
        const fetched = new Set(
          performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
        )
        return paths.filter((path) => !fetched.has(path))
      }, later)
    await expect.poll(missing).toEqual([])
    await served.stop('SIGKILL')
    for (const [stop, heading] of [
      ['Surround', 'Surround: Pieces'],
      ['Write', 'Write: Home'],
      ['Proof', 'Proof: Findings'],
      ['Plan', 'Plan: Page'],
    ] as const) {
      await page.getByRole('link', { name: stop, exact: true }).click()
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeAttached()
    }
    await choose(page, 'news')
    await page.keyboard.press('F2')
    await page.getByLabel('New name').fill('Later news')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert')).toContainText('server of Viatica cannot be reached')
    await served.start()
    await saved(page)
    await page.reload()
    await expect(await reveal(page, 'news')).toContainText('Later news')
  })

  test('two windows on one site: what both did is kept, and what was overtaken is told', async ({
    page,
    served,
    context,
  }) => {
    // The first window hears nothing of the other, so that it is overtaken.
    await page.route('**/events', (route) => route.abort())
    await openDemo(page, served)
    const other = await context.newPage()
    await openDemo(other, served)
    await choose(other, 'nature')
    await other.keyboard.press('Delete')
    await other.getByRole('button', { name: 'Remove', exact: true }).last().click()
    await saved(other)

    await choose(page, 'news')
    await page.getByLabel('Title', { exact: true }).fill('From the first window')
    await page.keyboard.press('Enter')
    await saved(page)
    await expect(row(page, 'nature')).toHaveCount(0)

    await choose(other, 'visit')
    await other.keyboard.press('Delete')
    await other.getByRole('button', { name: 'Remove', exact: true }).last().click()
    await saved(other)
    await choose(page, 'access')
    await page.getByLabel('Title', { exact: true }).fill('Too late')
    await page.keyboard.press('Enter')
    // Beside it may be told that the page on show is gone.
    await expect(page.getByRole('alert').filter({ hasText: 'One edit could not be saved' })).toBeVisible()
    await expect(row(page, 'access')).toHaveCount(0)
    await expect(rowNamed(page, 'From the first window')).toBeVisible()
  })

  test('an open window shows at once what another one changed', async ({
    page,
    served,
    context,
    watched,
  }) => {
    await openDemo(page, served)
    const other = await context.newPage()
    await openDemo(other, served)
    await choose(page, 'tanyard')
    await choose(other, 'visit')
    await other.keyboard.press('F2')
    await other.getByLabel('New name').fill('See us')
    await other.keyboard.press('Enter')
    await saved(other)
    await choose(page, 'access')
    await expect(page.getByRole('complementary').getByRole('button', { name: 'Visit' })).toBeVisible()
    await choose(page, 'visit')
    await expect(page.getByLabel('Title', { exact: true })).toHaveValue('See us')
    expect(watched).toEqual({ errors: [], strangers: [] })
  })
})
