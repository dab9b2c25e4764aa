import { entryBodySchema } from './jobEntry.ts'

function refusals(body: unknown): readonly string[] {
  const parsed = entryBodySchema.safeParse(body)
  return parsed.success ? [] : parsed.error.issues.map(({ message }) => message)
}

const gap = (readings: readonly string[], rest: object = {}) => ({
  kind: 'measurement',
  part: 'ring:a/b',
  measure: 'ring-gap',
  readings,
  unit: 'mm',
  tool: '',
  limit: null,
  phase: 'found',
  ...rest,
})

const stack = (room: object) => ({
  kind: 'stack',
  shaft: 'shaft:main',
  stack: {
    room,
    roomDeviation: { text: '0.02', unit: 'mm' },
    partDeviation: { text: '0.02', unit: 'mm' },
    turned: [],
  },
})

describe('what cannot be is refused in a sentence that says what to do', () => {
  it.each([
    {
      case: 'a gap of 40 mm',
      body: gap(['40', '0.9', '0.9']),
      sentence: /40\.00.mm is more than this can be.*choose thou/,
    },
    { case: 'a negative gap', body: gap(['-0.4', '0.9', '0.9']), sentence: /below 0/ },
    {
      case: 'a run of one reading',
      body: { ...gap(['0.02']), part: 'shaft:main', measure: 'run-out' },
      sentence: /needs 2 readings or more/,
    },
    {
      case: 'a room of −1 mm',
      body: stack({ text: '-1', unit: 'mm' }),
      sentence: /No gearbox has a length like that/,
    },
    {
      case: 'a room in newton metres',
      body: stack({ text: '80', unit: 'Nm' }),
      sentence: /A length is in mm or in/,
    },
    {
      case: 'a job of somebody called 7',
      body: {
        kind: 'intake',
        intake: {
          ...{ reference: '', complaint: '', distance: null, oil: '', cameWith: '' },
          assignee: '7',
        },
      },
      sentence: /one to four letters/,
    },
    { case: 'words', body: gap(['wide', '0.9', '0.9']), sentence: /“wide” is no number/ },
    {
      case: 'a hundred thousand readings',
      body: gap(Array.from({ length: 100_000 }, () => '0.9')),
      sentence: /36 readings at most/,
    },
    {
      case: 'a limit below its own range',
      body: gap(['0.9', '0.9', '0.9'], {
        limit: { source: 'maker', least: '2', most: '1', unit: 'mm' },
      }),
      sentence: /backwards/,
    },
    {
      case: 'a gap in pounds-feet',
      body: gap(['0.9', '0.9', '0.9'], { unit: 'lbft' }),
      sentence: /not read in that unit/,
    },
    {
      case: '3 7/0 turns',
      body: {
        kind: 'turn-check',
        position: '1',
        inputTurns: '3 7/0',
        outputTurns: '1',
        errorTurns: '1/8',
      },
      sentence: /“3 7\/0” divides by 0/,
    },
    {
      case: 'no turns',
      body: {
        kind: 'turn-check',
        position: '1',
        inputTurns: '0',
        outputTurns: '1',
        errorTurns: '1/8',
      },
      sentence: /more than 0/,
    },
    {
      case: 'a verdict overruled without a reason',
      body: {
        kind: 'overrule',
        entry: '0192f7a0-0000-7000-8000-000000000000',
        verdict: 'good',
        reason: ' ',
      },
      sentence: /Say why/,
    },
    {
      case: 'half a part',
      body: {
        kind: 'line',
        line: { key: 'seals', what: 'seals', quantity: 0.5, price: null, state: 'needed' },
      },
      sentence: /whole number/,
    },
    {
      case: 'a price below nothing',
      body: {
        kind: 'line',
        line: { key: 'seals', what: 'seals', quantity: 1, price: '-3', state: 'needed' },
      },
      sentence: /not below 0/,
    },
  ])('$case', ({ body, sentence }) => {
    expect(refusals(body).join(' ')).toMatch(sentence)
  })
})

test('what can be is taken as it was written', () => {
  const body = gap(['31', '30 1/2', '32'], {
    unit: 'thou',
    limit: { source: 'thumb', least: '30', unit: 'thou' },
  })
  expect(entryBodySchema.parse(body)).toEqual(body)
})
