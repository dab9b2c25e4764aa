/** What is seen or felt of a part without a tool. */
/** What a part is looked at for. */
export const LOOKS = [
  'crack',
  'grooves',
  'tooth-tips',
  'dog-corners',
  'bearing-feel',
  'pitting',
  'scoring',
  'cone-feel',
  'step-wear',
  'bent',
  'burnt',
  'thread',
  'missing',
] as const
/** See `LOOKS`. */
export type Look = (typeof LOOKS)[number]
