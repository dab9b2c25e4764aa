/** Made-up boxes for the benches. */
import type { Box, BoxDraft } from 'core'
import { addCoupler, addGear, addPlanetary, buildPattern, checkBox, toggleMesh } from 'core'

/** The largest box that the model is made for. */
export const LARGEST = { gears: 60, couplers: 12, planetarySets: 3 }
/** Invented counts, the same on both countershafts. */
export function counted(draft: BoxDraft): BoxDraft {
  const counts = new Map<string, number>()
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => {
      const kin = gear.id.replace('-b-', '-a-')
      const toothCount = counts.get(kin) ?? 17 + ((at * 11) % 40) + (kin.includes('ring') ? 60 : 0)
      counts.set(kin, toothCount)
      return { ...gear, toothCount }
    }),
  }
}

/** A dual-clutch box with planetary sets, and pairs and sleeves up to the number that is asked for. */
export function largeBox(couplers: number): BoxDraft {
  let draft = buildPattern('dual-clutch', 'large', { speeds: '7' })
  for (let sets = 0; sets < LARGEST.planetarySets; sets++)
    draft = addPlanetary(draft, sets % 2 === 0 ? 'upper' : 'lower').draft
  while (draft.gears.length + 2 <= LARGEST.gears) {
    const driving = addGear(draft, 'odd')
    const driven = addGear(driving.draft, 'upper')
    draft = toggleMesh(driven.draft, driving.added.id, driven.added.id, 'external-mesh')
    draft = {
      ...draft,
      gears: draft.gears.map((gear) =>
        gear.id === driven.added.id ? { ...gear, mount: 'free' as const } : gear,
      ),
    }
  }
  while (draft.couplers.length < couplers) draft = withSleeve(draft)
  return counted(draft)
}

/** A sleeve between two free gears that no coupler locks yet. */
function withSleeve(draft: BoxDraft): BoxDraft {
  const locked = new Set(
    draft.couplers.flatMap(({ positions }) =>
      positions.flatMap(({ engages }) =>
        engages.flatMap((engagement) => ('body' in engagement ? [engagement.body] : [])),
      ),
    ),
  )
  const [before, after] = draft.gears.filter(({ id, mount }) => mount === 'free' && !locked.has(id))
  if (!before || !after) throw new Error('the box has no free gears left to couple')
  const { draft: next, added } = addCoupler(draft, 'synchronizer', 'upper')
  return {
    ...next,
    couplers: next.couplers.map((coupler) =>
      coupler.id === added.id
        ? {
            ...coupler,
            positions: [
              {
                id: 'before',
                travel: 'towards-input',
                engages: [{ kind: 'lock', body: before.id }],
              },
              { id: 'centre', travel: 'centre', engages: [] },
              {
                id: 'after',
                travel: 'towards-output',
                engages: [{ kind: 'lock', body: after.id }],
              },
            ],
          }
        : coupler,
    ),
  }
}

export function boxOf(draft: BoxDraft): Box {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(`the box is faulty: ${JSON.stringify(checked.issues[0])}`)
  return checked.box
}

/** The eighteen-speed with two countershafts in front and two behind. */
export function eighteenSpeed(): BoxDraft {
  return counted(buildPattern('heavy', 'eighteen', { speeds: '18', range: 'countershaft' }))
}
