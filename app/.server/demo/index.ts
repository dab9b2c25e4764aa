/** The demo data: a made-up shop with made-up units and invented counts, one of each arrangement. */
import type { BoxDraft } from 'core'

import { boxFileSchema } from '../../files/boxFile.ts'
import { createBox } from '../boxes.ts'
import { db } from '../db/client.ts'
import { seeds } from '../db/tables/seeds.ts'

import brackwellSlidingGearThreeSpeed from './boxes/brackwell-sliding-gear-three-speed.json' with { type: 'json' }
import calderTransaxleFiveSpeed from './boxes/calder-transaxle-five-speed.json' with { type: 'json' }
import drumlowTransferCase from './boxes/drumlow-transfer-case.json' with { type: 'json' }
import fenwoldFiveSpeed from './boxes/fenwold-five-speed.json' with { type: 'json' }
import grimsoundEighteenSpeed from './boxes/grimsound-eighteen-speed.json' with { type: 'json' }
import grimsoundTenSpeed from './boxes/grimsound-ten-speed.json' with { type: 'json' }
import harrowgapSixSpeed from './boxes/harrowgap-six-speed.json' with { type: 'json' }
import kestwickRacingFiveSpeed from './boxes/kestwick-racing-five-speed.json' with { type: 'json' }
import morrickTransaxle from './boxes/morrick-transaxle.json' with { type: 'json' }
import ostrelFiveSpeed from './boxes/ostrel-five-speed.json' with { type: 'json' }
import quillmoorFourSpeed from './boxes/quillmoor-four-speed.json' with { type: 'json' }
import sedgeleyFourSpeed from './boxes/sedgeley-four-speed.json' with { type: 'json' }
import solvaneDualClutch from './boxes/solvane-dual-clutch.json' with { type: 'json' }
import tarnDogClutchThreeSpeed from './boxes/tarn-dog-clutch-three-speed.json' with { type: 'json' }
import wrenfieldMotorcycleSixSpeed from './boxes/wrenfield-motorcycle-six-speed.json' with { type: 'json' }
import { seedDemoJobs } from './job.ts'

/** Box files; the last of these is the first on the bench. */
const FILES: readonly unknown[] = [
  drumlowTransferCase,
  solvaneDualClutch,
  grimsoundEighteenSpeed,
  grimsoundTenSpeed,
  wrenfieldMotorcycleSixSpeed,
  kestwickRacingFiveSpeed,
  morrickTransaxle,
  calderTransaxleFiveSpeed,
  tarnDogClutchThreeSpeed,
  brackwellSlidingGearThreeSpeed,
  sedgeleyFourSpeed,
  fenwoldFiveSpeed,
  harrowgapSixSpeed,
  quillmoorFourSpeed,
  ostrelFiveSpeed,
]

export function demoBoxes(): readonly BoxDraft[] {
  return FILES.map((file) => {
    const { format: _format, version: _version, ...draft } = boxFileSchema.parse(file)
    return draft
  })
}

/** Puts the demo boxes in, once in a database's life. */
export async function seedDemo(): Promise<void> {
  const [isNew] = await db.insert(seeds).values({ name: 'demo' }).onConflictDoNothing().returning()
  if (!isNew) return
  let first: string | undefined
  for (const draft of demoBoxes()) first = await createBox(draft, { isDemo: true })
  if (first !== undefined) await seedDemoJobs(first)
}
