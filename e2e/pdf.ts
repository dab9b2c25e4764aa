/** What stands in a printed page, read back from its PDF. */
import type { Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

export interface PrintedPage {
  readonly text: string
  /** Fields and links that a reader could touch. */
  readonly controls: number
}

/** Prints what the page shows, and reads it. Runs of blanks are one. */
export async function printed(
  page: Page,
  format: 'A4' | 'Letter',
): Promise<readonly PrintedPage[]> {
  const data = new Uint8Array(await page.pdf({ format }))
  const document = await getDocument({ data, useSystemFonts: true, verbosity: 0 }).promise
  const pages: PrintedPage[] = []
  for (let number = 1; number <= document.numPages; number++) {
    const sheet = await document.getPage(number)
    const { items } = await sheet.getTextContent()
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ')
    pages.push({
      text: text.replace(/\s+/g, ' '),
      controls: (await sheet.getAnnotations()).length,
    })
  }
  await document.destroy()
  return pages
}
