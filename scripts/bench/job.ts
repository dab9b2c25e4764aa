/** Turn checks, closed boxes and full jobs. */
import pg from 'pg'

import {
  analyseBox,
  findSuspects,
  poseSearch,
  rational,
  searchCounts,
  suggestCheck,
  threeShaftBox,
  withToothCounts,
} from 'core'
import type { BoxDraft, CountSearch, TurnCheck } from 'core'

import { boxOf } from './boxes.ts'
import { medianMs, ms, percentile, report, times, under } from './measure.ts'

const SIX_SPEED: BoxDraft = (() => {
  const draft = threeShaftBox({
    name: 'six-speed',
    forwardCount: 6,
    directAt: 5,
    reverse: 'sliding-idler',
  })
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + ((at * 7) % 25) })),
  }
})()

const OUTPUT_TURNS = 10

/** A turn check in every position, read to an eighth of a turn. */
function turnChecks(draft: BoxDraft): readonly TurnCheck[] {
  return analyseBox(boxOf(draft)).flatMap(({ position, analysis }) => {
    if (analysis.state !== 'drive') return []
    const eighths = Math.round(analysis.ratio.abs().toNumber() * OUTPUT_TURNS * 8)
    return [
      {
        id: position.id,
        position: position.id,
        inputTurns: rational(eighths, 8),
        outputTurns: rational(OUTPUT_TURNS),
        readAt: 'input',
        errorTurns: rational(1, 8),
      },
    ]
  })
}

/** Suspects and the next check of a six-speed with one miscount and a check in each position. */
export function benchTurnChecks(): void {
  const checks = turnChecks(SIX_SPEED)
  const gear = SIX_SPEED.gears.find(({ id }) => id === 'main-3')
  if (!gear) throw new Error('the six-speed has no third gear')
  const box = boxOf(withToothCounts(SIX_SPEED, new Map([[gear.id, (gear.toothCount ?? 0) + 1]])))
  const suspects = findSuspects(box, checks)
  const [first] = checks
  const diagnosis = medianMs(40, () => {
    findSuspects(box, checks)
  })
  const next = medianMs(20, () => {
    suggestCheck(suspects, first?.errorTurns ?? rational(1, 8))
  })
  const reference = medianMs(40, () => {
    analyseBox(box)
  })
  report(
    `Core: ${checks.length} turn checks of a six-speed with one miscount, ${suspects.length} suspects`,
    ms(diagnosis),
    `the next check to make ${ms(next)}; all its positions analysed once ${ms(reference)}`,
    under(20, diagnosis),
  )
}

/** Every set of counts within the limits of the gears, tested one after another in whole numbers. */
function plainSearch({ gears, sums, products }: CountSearch): number {
  const at = new Map(gears.map(({ gear }, place) => [gear, place]))
  const place = (gear: string): number => at.get(gear) ?? 0
  const tests = products.map(({ driven, driving, least, most }) => ({
    over: driven.map((factor) => factor.map(place)),
    under: driving.map((factor) => factor.map(place)),
    least,
    most,
  }))
  const pairs = sums.map(({ a, b, least, most }) => ({ a: place(a), b: place(b), least, most }))
  const counts = new Int32Array(gears.length)
  const product = (factors: readonly (readonly number[])[]): number => {
    let all = 1
    for (const factor of factors) {
      let sum = 0
      for (const gear of factor) sum += counts[gear] ?? 0
      all *= sum
    }
    return all
  }
  let found = 0
  const visit = (depth: number): void => {
    const range = gears[depth]
    if (!range) {
      for (const { a, b, least, most } of pairs) {
        const sum = (counts[a] ?? 0) + (counts[b] ?? 0)
        if (sum < least || sum > most) return
      }
      for (const { over, under, least, most } of tests) {
        const [upper, lower] = [product(over), product(under)]
        if (upper * least[1] < lower * least[0] || upper * most[1] > lower * most[0]) return
      }
      found++
      return
    }
    for (let count = range.least; count <= range.most; count++) {
      counts[depth] = count
      visit(depth + 1)
    }
  }
  visit(0)
  return found
}

function posed(mostTeeth: number): CountSearch {
  const uncounted = {
    ...SIX_SPEED,
    gears: SIX_SPEED.gears.map((gear) => ({ ...gear, toothCount: null })),
  }
  // Two positions beside direct: three pairs, six gears.
  const checks = turnChecks(SIX_SPEED).filter(({ position }) => ['1', '2'].includes(position))
  const search = poseSearch(uncounted, checks, {
    leastTeeth: 14,
    mostTeeth,
    leastSum: 40,
    mostSum: 70,
  })
  if (!search.ok) throw new Error(search.code)
  return search.search
}

/** The closed box over 10⁹ combinations, and beside a plain search over fewer of them. */
export function benchClosedBox(): void {
  const large = posed(45)
  const small = posed(29)
  const found = searchCounts(large)
  const oursLarge = medianMs(5, () => {
    searchCounts(large)
  })
  const oursSmall = medianMs(5, () => {
    searchCounts(small)
  })
  const start = performance.now()
  const plain = plainSearch(small)
  const plainMs = performance.now() - start
  const { total, combinations } = searchCounts(small)
  if (plain !== total) throw new Error(`plain search finds ${plain}, ours ${total}`)
  report(
    `Core: closed box, ${found.combinations.toExponential(2)} combinations, ${found.total} sets fit`,
    `${times(plainMs, oursSmall)} as fast, ${ms(oursLarge)}`,
    `over ${combinations.toExponential(2)} combinations ours takes ${ms(oursSmall)}, a plain search ${ms(plainMs)}, with the same ${plain} sets`,
    { 'under 2 s over 10⁹': oursLarge < 2_000, '100 times': plainMs > 100 * oursSmall },
  )
}

const MEASUREMENTS = 2_000
const PHOTOS = 200
const REQUESTS = 30

async function medianOf(url: string): Promise<number> {
  const each: number[] = []
  for (let request = 0; request < REQUESTS; request++) {
    const start = performance.now()
    const response = await fetch(url)
    await response.text()
    if (!response.ok) throw new Error(`${url} answered ${response.status}`)
    each.push(performance.now() - start)
  }
  return percentile(each, 0.5)
}

/** The first page of a job with very much in it, beside the same page of the demo job. */
export async function benchJob(base: string, databaseUrl: string, box: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    const few = await medianOf(`${base}${box}/job`)
    const jobId = `(select id from jobs where box_id = $1 order by number desc limit 1)`
    const boxId = box.replace('/boxes/', '')
    await client.query(
      `insert into job_entries (id, job_id, at, by, body)
       select gen_random_uuid(), ${jobId}, now() + n * interval '1 second', 'AB',
              (select body from job_entries where body->>'kind' = 'measurement' limit 1)
       from generate_series(1, $2::int) n`,
      [boxId, MEASUREMENTS],
    )
    await client.query(
      `with photos as (
         insert into job_photos (id, job_id, content_type, width, height, bytes)
         select gen_random_uuid(), ${jobId}, 'image/png', 1, 1, '\\x00'
         from generate_series(1, $2::int) returning id, job_id)
       insert into job_entries (id, job_id, at, by, body)
       select gen_random_uuid(), job_id, now(), 'AB',
              jsonb_build_object('kind', 'photo', 'photo', id, 'caption', 'a part')
       from photos`,
      [boxId, PHOTOS],
    )
    const many = await medianOf(`${base}${box}/job`)
    report(
      `Server: first page of a job with ${MEASUREMENTS} measurements and ${PHOTOS} photographs, median of ${REQUESTS}`,
      ms(many),
      `with the demo’s few entries ${ms(few)}`,
      under(300, many),
    )
  } finally {
    await client.end()
  }
}
