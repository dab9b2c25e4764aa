/** The usual cautions of the bench. They never replace the maker's manual. */
export const CAUTIONS: readonly string[] = [
  'Stand the box on a proper stand or jack before you reach into it.',
  'Snap rings and detent springs fly: wear eye protection.',
  'Press with the load on the right race, behind a guard; nothing brittle under load.',
  'Oil may be hot or contaminated, and solvents harm skin and lungs.',
  'Keep hands clear of open gears. Turn an open box by hand only, never with an engine or a power tool.',
  'A box that is locked in two gears stops the driven wheels on the road.',
  'Road-test only after a complete check on the bench.',
]

export const DEFERENCE =
  'Fasteners, end play, preload, oil and wear limits are the maker’s for the unit. What Udrix computes never overrides the service manual or a qualified person’s judgement.'

/** Said when a unit leaves the bench. */
export const HAND_OVER_CAUTION = `Fill it with the oil that the maker names, to the mark. Drive gently at first, and stop at any noise, heat, leak or jump out of gear: a box that locks in two gears stops the driven wheels. ${DEFERENCE}`
