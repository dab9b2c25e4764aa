/** All that the core offers, room by room; each room lists what it offers in its own index. */
export * from './number/index.ts'
export * from './box/index.ts'
export * from './train/index.ts'
export * from './count/index.ts'
export * from './measure/index.ts'
export * from './job/index.ts'
export * from './drawing/index.ts'
export * from './build/index.ts'
