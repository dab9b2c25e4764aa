/** The demo data: a made-up shop with made-up units and invented counts. */
import type { BoxDraft } from 'core'
import { threeShaftBox } from 'core'

import { createBox } from './boxes.ts'
import { db } from './db/client.ts'
import { seeds } from './db/tables/seeds.ts'

function counted(draft: BoxDraft, counts: Readonly<Record<string, number>>): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const toothCount = counts[gear.id]
      if (toothCount === undefined) throw new Error(`the demo has no count for "${gear.id}"`)
      return { ...gear, toothCount }
    }),
  }
}

export function demoBoxes(): readonly BoxDraft[] {
  return [
    {
      ...counted(
        threeShaftBox({
          name: 'Quillmoor four-speed, unit 7',
          forwardCount: 4,
          directAt: 4,
          reverse: 'sliding-idler',
        }),
        {
          'input-head': 19,
          'counter-head': 32,
          'counter-1': 14,
          'main-1': 37,
          'counter-2': 20,
          'main-2': 31,
          'counter-3': 27,
          'main-3': 24,
          'counter-reverse': 14,
          'idler-reverse': 19,
          'main-reverse': 35,
        },
      ),
      finalDrive: { drivingToothCount: 9, drivenToothCount: 40 },
    },
    {
      ...counted(
        threeShaftBox({
          name: 'Ostrel five-speed, unit 12',
          forwardCount: 5,
          directAt: 4,
          reverse: 'constant-mesh',
        }),
        {
          'input-head': 24,
          'counter-head': 37,
          'counter-1': 17,
          'main-1': 44,
          'counter-2': 24,
          'main-2': 37,
          'counter-3': 31,
          'main-3': 30,
          'counter-5': 40,
          'main-5': 21,
          'counter-reverse': 16,
          'idler-reverse': 22,
          'main-reverse': 41,
        },
      ),
      finalDrive: { drivingToothCount: 11, drivenToothCount: 43 },
    },
  ]
}

/** Puts the demo boxes in, once in a database's life. */
export async function seedDemo(): Promise<void> {
  const [isNew] = await db.insert(seeds).values({ name: 'demo' }).onConflictDoNothing().returning()
  if (!isNew) return
  for (const draft of demoBoxes()) await createBox(draft, { isDemo: true })
}
