import { openDemo } from './pages.ts'
import { expect, test } from './udrix.ts'

/**
 * A demo box of each arrangement with the ratio of every position, worked out by
 * hand from its counts as driven over driving along the way; 0 is neutral.
 */
const BOXES: readonly (readonly [name: string, ratios: Readonly<Record<string, number>>])[] = [
  [
    'Brackwell',
    {
      1: (30 / 16) * (32 / 14),
      2: (30 / 16) * (26 / 20),
      3: 1,
      N: 0,
      R: (30 / 16) * (32 / 12),
    },
  ],
  [
    'Tarn',
    { 1: (31 / 18) * (34 / 15), 2: (31 / 18) * (27 / 22), 3: 1, N: 0, R: (31 / 18) * (31 / 14) },
  ],
  [
    'Sedgeley',
    {
      1: (33 / 19) * (37 / 15),
      2: (33 / 19) * (31 / 21),
      3: (33 / 19) * (24 / 28),
      4: 1,
      N: 0,
      R: (33 / 19) * (32 / 16),
    },
  ],
  [
    'Ostrel',
    {
      1: (37 / 24) * (44 / 17),
      2: (37 / 24) * (37 / 24),
      3: (37 / 24) * (30 / 31),
      4: 1,
      5: (37 / 24) * (21 / 40),
      N: 0,
      R: (37 / 24) * (41 / 16),
    },
  ],
  [
    'Harrowgap',
    {
      1: (35 / 25) * (43 / 17),
      2: (35 / 25) * (38 / 22),
      3: (35 / 25) * (33 / 27),
      4: (35 / 25) * (28 / 32),
      5: 1,
      6: (35 / 25) * (22 / 38),
      N: 0,
      R: (35 / 25) * (37 / 18),
    },
  ],
  [
    'Fenwold',
    {
      1: (35 / 23) * (41 / 17),
      2: (35 / 23) * (34 / 24),
      3: (35 / 23) * (27 / 31),
      4: 1,
      5: (35 / 23) * (20 / 38),
      N: 0,
      R: (35 / 23) * (38 / 16),
    },
  ],
  [
    'Calder',
    {
      1: (45 / 13) * (65 / 17),
      2: (38 / 20) * (65 / 17),
      3: (33 / 25) * (65 / 17),
      4: (29 / 29) * (65 / 17),
      5: (25 / 33) * (65 / 17),
      N: 0,
      R: (41 / 13) * (65 / 17),
    },
  ],
  [
    'Morrick',
    {
      1: (39 / 11) * (37 / 9),
      2: (33 / 17) * (37 / 9),
      3: (28 / 22) * (37 / 9),
      4: (23 / 27) * (37 / 9),
      N: 0,
      R: (34 / 12) * (37 / 9),
    },
  ],
  ['Kestwick', { 1: 32 / 14, 2: 29 / 17, 3: 26 / 20, 4: 24 / 22, 5: 22 / 24, N: 0, R: 29 / 13 }],
  [
    'Wrenfield',
    {
      1: (61 / 33) * (31 / 13) * (41 / 15),
      N: 0,
      2: (61 / 33) * (27 / 17) * (41 / 15),
      3: (61 / 33) * (24 / 20) * (41 / 15),
      4: (61 / 33) * (22 / 22) * (41 / 15),
      5: (61 / 33) * (21 / 23) * (41 / 15),
      6: (61 / 33) * (19 / 25) * (41 / 15),
    },
  ],
  [
    'Grimsound ten',
    {
      1: (36 / 30) * (48 / 18) * (1 + 76 / 24),
      5: 1 + 76 / 24,
      6: (36 / 30) * (48 / 18),
      9: (36 / 30) * (35 / 31),
      10: 1,
      N: 0,
      R: (36 / 30) * (45 / 17) * (1 + 76 / 24),
      R2: (36 / 30) * (45 / 17),
    },
  ],
  [
    'Grimsound eighteen',
    {
      CL: (37 / 29) * (52 / 14) * (41 / 25) * (48 / 18),
      CH: (34 / 32) * (52 / 14) * (41 / 25) * (48 / 18),
      '4L': ((37 / 29) * (32 / 34) * (41 / 25) * 48) / 18,
      '4H': (41 / 25) * (48 / 18),
      '5L': (37 / 29) * (48 / 18),
      '8L': (37 / 29) * (32 / 34),
      '8H': 1,
      N: 0,
      R2: (37 / 29) * (45 / 17),
    },
  ],
  [
    'Solvane',
    {
      1: (46 / 14) * (69 / 16),
      2: (40 / 20) * (69 / 16),
      3: (34 / 26) * (69 / 16),
      4: (30 / 30) * (69 / 16),
      5: (28 / 26) * (69 / 21),
      6: (24 / 30) * (69 / 21),
      7: (22 / 32) * (69 / 21),
      N: 0,
      R: (37 / 13) * (69 / 21),
    },
  ],
  ['Drumlow', { '2H': 1, '4H': 1, '4L': 1 + 57 / 33, N: 0 }],
]

for (const [name, ratios] of BOXES)
  test(`${name}: every position is traced`, async ({ page }) => {
    await openDemo(page, name, 'Trace')
    const keys = page.getByRole('navigation', { name: 'Positions' }).getByRole('link')
    const labels = await keys.evaluateAll((links) => links.map((link) => link.textContent))
    expect(labels.length).toBeGreaterThanOrEqual(Object.keys(ratios).length)
    const names = await keys.evaluateAll((links) =>
      links.map((link) => link.querySelector('span')?.textContent ?? ''),
    )
    expect(names).toEqual(expect.arrayContaining(Object.keys(ratios)))
    for (const [at, label] of names.entries()) {
      const ratio = ratios[label]
      await keys.nth(at).click()
      await expect(keys.nth(at)).toHaveAttribute('aria-current', 'page')
      if (ratio === 0) {
        await expect(page.getByText('Neutral', { exact: true })).toBeVisible()
        await expect(page.locator('.ribbon')).toHaveCount(0)
        continue
      }
      await expect(page.getByTestId('ratio')).toHaveText(
        ratio === undefined ? /:\s1$/ : ratio === 1 ? '1 : 1' : `${ratio.toFixed(3)} : 1`,
      )
      expect(await page.locator('.ribbon line').count()).toBeGreaterThan(1)
    }
    for (const label of labels) expect(label).not.toMatch(/locked|not settled|to count/)
  })

test('behind the clutch that carries, the next position waits, and only clutches change over', async ({
  page,
}) => {
  await openDemo(page, 'dual-clutch', 'Trace')
  await page.keyboard.press('3')
  const waits = page.getByRole('region', { name: 'What waits' })
  await expect(waits).toContainText('The odd clutch carries; the even clutch is open.')
  await waits.getByRole('button', { name: '4', exact: true }).click()
  // By hand: 34/26 × 69/16, and after the change 30/30 × 69/16.
  await expect(page.getByTestId('ratio')).toHaveText('5.639 : 1')
  await expect(page.locator('[data-coupler="coupler-2-4"]')).toHaveAttribute('data-place', '4')
  await expect(waits).toContainText('does not pass through neutral')
  await waits.getByRole('button', { name: 'Change to 4' }).click()
  await expect(page.getByTestId('ratio')).toHaveText('4.313 : 1')
  // Third stays in and waits now.
  await expect(page.locator('[data-coupler="coupler-3-1"]')).toHaveAttribute('data-place', '3')
  await expect(waits.getByRole('button', { name: '3', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
})
