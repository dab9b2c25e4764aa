/** What a person can have the drawing show, besides the parts themselves. */
export const LAYERS = ['torque', 'speed', 'rest', 'names', 'counts', 'forces', 'parts'] as const
export type Layer = (typeof LAYERS)[number]
export type Layers = ReadonlySet<Layer>

/** What is shown before anybody has chosen. */
export const USUAL_LAYERS: Layers = new Set<Layer>(['torque', 'rest', 'names', 'counts'])
