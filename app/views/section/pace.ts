/** Turns of the input in a second, as it is shown. */
export const PACES = { normal: 0.12, slow: 0.03, paused: 0 } as const
export type Pace = keyof typeof PACES
