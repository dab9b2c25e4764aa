import { LONGEST_LINE, LONGEST_TEXT, LONGEST_TRAY, tooLongWords } from './lengths.ts'

test.each([LONGEST_TEXT, LONGEST_LINE, LONGEST_TRAY])(
  'a text of %s characters is kept; of one more it is said how many there are',
  (longest) => {
    expect(tooLongWords(` ${'x'.repeat(longest)} `, longest)).toBeNull()
    expect(tooLongWords('x'.repeat(longest + 1), longest)).toBe(
      `This has ${longest + 1} characters; ${longest} are kept at most. Shorten it.`,
    )
  },
)
