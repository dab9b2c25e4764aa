import type { Page } from '@playwright/test'
import axe from 'axe-core'

import { WAY } from '../app/views/box/way.ts'
import { lookAtHand } from './hand.ts'
import { addressOf, openDemo, startFourSpeed, turnTo, turnWithin } from './pages.ts'
import { expect, test } from './udrix.ts'

declare global {
  interface Window {
    readonly axe: typeof axe
  }
}

type Look = 'light' | 'dark' | 'uncoloured'

/**
 * What axe is asked for: everything, in the light theme, and that names begin with what is seen; in the dark one what differs there,
 * the colours; and everything but those, which do not change with the size of the screen.
 */
const LOOKS: Readonly<Record<Look, axe.RunOptions>> = {
  light: { rules: { 'label-content-name-mismatch': { enabled: true } } },
  dark: { runOnly: ['color-contrast'] },
  uncoloured: { rules: { 'color-contrast': { enabled: false } } },
}

/** Asks axe of whatever the page shows, under a name for the report. */
async function look(
  page: Page,
  name: string,
  looks: readonly Look[] = ['light', 'dark'],
): Promise<void> {
  for (const each of looks) {
    const colorScheme = each === 'dark' ? 'dark' : 'light'
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
    // Once a document: it is over half a megabyte to read.
    if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
    const violations = await page.evaluate(async (asked) => {
      // What passes is not asked for.
      const found = await window.axe.run(document, { resultTypes: ['violations'], ...asked })
      return found.violations.map(
        ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`,
      )
    }, LOOKS[each])
    expect(violations.map((violation) => `${name}, ${each}: ${violation}`)).toEqual([])
  }
}

test('no page has an axe violation', async ({ page }) => {
  await page.goto('/')
  await look(page, 'bench')
  await page.goto('/new')
  await look(page, 'new box')
  await page.goto('/archive')
  await look(page, 'archive')
  await page.goto('/deleted')
  await look(page, 'deleted boxes')
  await page.goto('/glossary')
  await look(page, 'words of the trade')
  await page.goto('/gone')
  await look(page, 'not found')
  await openDemo(page, 'Ostrel', 'Ratios')
  await expect(page.locator('figure [aria-hidden] > svg').first()).toBeVisible()
  await look(page, 'ratios')
  await page.getByRole('button', { name: 'Settings' }).click()
  await look(page, 'settings')
  await page.keyboard.press('Escape')
  const layout = page.url().replace(/ratios.*/, 'layout')
  await page.goto(`${layout}?part=gears:main-2`)
  await look(page, 'lay out')
  await page.goto(`${layout}?view=parts&part=couplers:coupler-1-2`)
  await look(page, 'parts')
  await turnTo(page, 'Positions')
  await look(page, 'positions')
  await turnTo(page, 'History')
  await look(page, 'history')
  await startFourSpeed(page, 'axe')
  await look(page, 'count')
  await page.getByRole('textbox', { name: 'Head gear, input shaft' }).fill('3')
  await page.keyboard.press('Enter')
  await look(page, 'refused count')
})

test('no page of a job has an axe violation', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Job')
  await look(page, 'job')
  const box = page.url().replace(/\/job.*/, '')
  for (const title of ['Turns', 'Only turns known', 'What gear is this', 'Parts to order']) {
    await turnTo(page, title)
    await look(page, title, ['light'])
  }
  await turnTo(page, 'Measure')
  await look(page, 'measure', ['light'])
  await page.goto(`${box}/measure?part=${encodeURIComponent('ring:coupler-1-2/2')}`)
  await expect(page.locator('section svg text').first()).toBeVisible()
  await look(page, 'trend of a ring')
  await page.goto('/shelf')
  await look(page, 'shelf')
})

test('no state of the drawing on Trace has an axe violation', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Trace')
  await look(page, 'trace')
  const trace = page.url().replace(/\?.*/, '')
  await page.goto(`${trace}?position=2&layers=torque,speed,rest,names,counts,forces&overrun=on`)
  await look(page, 'trace with all layers')
  await page.getByRole('button', { name: 'Shown' }).click()
  await look(page, 'layers')
  await page.keyboard.press('Escape')
  await page.getByTestId('engaged').first().getByRole('button').first().click()
  await look(page, 'meaning of a word')
  await page.keyboard.press('Escape')
  await page.keyboard.press('n')
  await look(page, 'trace in neutral')
  await page.keyboard.press('?')
  await look(page, 'help')
})

test('no other view of Trace has an axe violation', async ({ page }) => {
  await openDemo(page, 'Ostrel', 'Trace')
  const trace = page.url().replace(/\?.*/, '')
  for (const view of [
    'parts',
    'forces',
    'spin?test=own&input-moved=main',
    'towing',
    'compare?compare=counts&counts=main-2:36',
    'sheet',
  ]) {
    await page.goto(`${trace}/${view}`)
    await look(page, `trace ${view}`)
  }
})

test('on a phone every page of a box is two taps away', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/?q=Ostrel')
  await page
    .getByRole('link', { name: /Ostrel/ })
    .first()
    .click()
  for (const [item, title] of [
    ['Positions', 'Lay out'],
    ['What gear is this', 'gear'],
    ['Ratios', 'Ratios'],
    ['History', 'History'],
  ] as const) {
    await page.getByRole('button', { name: 'All pages of this box' }).click()
    if (item === 'Positions') await look(page, 'all pages')
    await page.getByRole('dialog').getByRole('link', { name: item }).click()
    await expect(page).toHaveTitle(new RegExp(title))
  }
})

/** Nothing runs off the side; what is drawn once the page has its size may still settle. */
async function expectWithin(page: Page, width: number, message: string): Promise<void> {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message })
    .toBeLessThanOrEqual(width)
}

/** A quarter of a tablet's height was the head once; of a phone's more. */
const SIZES = [
  { name: 'an upright tablet', width: 820, height: 1180, headPx: 190, looks: ['uncoloured'] },
  { name: 'a phone', width: 390, height: 844, headPx: 120, looks: ['light', 'dark'] },
] as const

/** Everything can be read and pressed, and the page begins soon. */
async function expectForTheHand(page: Page, headPx: number, message: string): Promise<void> {
  // What is drawn to the size of its room settles a moment after that.
  await expect.poll(async () => (await lookAtHand(page)).wrong, { message }).toEqual([])
  expect((await lookAtHand(page)).headPx, message).toBeLessThanOrEqual(headPx)
}

/** A page that is open on the one of the smaller screens, and seen again on the other. */
async function lookAtSizes(page: Page, title: string): Promise<void> {
  for (const { name, width, height, headPx, looks } of SIZES) {
    await page.setViewportSize({ width, height })
    await expectWithin(page, width, `${title} on ${name}`)
    if (!title.startsWith('/gone')) await expectForTheHand(page, headPx, `${title} on ${name}`)
    await look(page, `${title} on ${name}`, looks)
  }
}

test.describe('on smaller screens', () => {
  test('no page outside a box has an axe violation, runs off the side or slips from the hand', async ({
    page,
  }) => {
    for (const path of ['/', '/new', '/shelf', '/glossary', '/archive', '/deleted', '/gone']) {
      await page.setViewportSize(SIZES[0])
      await page.goto(path)
      await lookAtSizes(page, path)
    }
  })

  for (const step of WAY)
    test(`no page of ${step.title} has an axe violation, runs off the side or slips from the hand`, async ({
      page,
    }) => {
      await page.goto(`${await addressOf(page, 'Ostrel')}/${step.pages[0].path}`)
      for (const each of step.pages) {
        await page.setViewportSize(SIZES[0])
        await turnWithin(page, { step, page: each })
        await lookAtSizes(page, each.path)
      }
    })
})
