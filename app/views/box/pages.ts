/**
 * Every page of a box, in the order of the work: the steps of the way, and `app/routes.ts`, follow
 * from this table. A page with `?view=` is a view of the one before it.
 */
export interface Page {
  /** Below the address of the box. */
  readonly path: string
  readonly title: string
  /** In `app/routes/`, without its ending. */
  readonly file: string
  /** Whether it shares what is entered in the job. */
  readonly ofJob?: true
}

export const PAGES = {
  Job: [
    { path: 'job', title: 'Stages and log', file: 'job', ofJob: true },
    { path: 'hand-over', title: 'Record, hand-over', file: 'handOver', ofJob: true },
    { path: 'life', title: 'Life of the unit', file: 'life', ofJob: true },
    { path: 'labels', title: 'Labels', file: 'labels', ofJob: true },
    { path: 'history', title: 'History', file: 'history' },
  ],
  'Lay out': [
    { path: 'layout', title: 'Drawing', file: 'layout' },
    { path: 'layout?view=parts', title: 'Parts', file: 'layout' },
    { path: 'layout?view=positions', title: 'Positions', file: 'layout' },
    { path: 'sheet', title: 'Data sheet', file: 'dataSheet' },
  ],
  Count: [
    { path: 'count', title: 'Count teeth', file: 'count' },
    { path: 'turns', title: 'Turns', file: 'turns', ofJob: true },
    { path: 'turns/closed', title: 'Only turns known', file: 'closedBox', ofJob: true },
    { path: 'turns/gear', title: 'What gear is this', file: 'gearIdentity', ofJob: true },
    { path: 'count/form', title: 'Bench form', file: 'benchForm' },
  ],
  /** The first shows the position that all below `trace/` share. */
  Trace: [
    { path: 'trace', title: 'Drawing', file: 'traceDrawing' },
    { path: 'trace/parts', title: 'Parts', file: 'traceParts' },
    { path: 'trace/forces', title: 'Forces and losses', file: 'traceForces' },
    { path: 'trace/spin', title: 'Spin test', file: 'traceSpin', ofJob: true },
    { path: 'trace/towing', title: 'Towing and oil', file: 'traceTowing' },
    { path: 'trace/compare', title: 'Compare', file: 'traceCompare' },
    { path: 'ratios', title: 'Ratios', file: 'ratios' },
    { path: 'trace/sheet', title: 'Sheet', file: 'traceSheet' },
  ],
  Shift: [
    { path: 'shift', title: 'Change of gear', file: 'shift', ofJob: true },
    { path: 'shift/engage', title: 'Half engaged', file: 'shiftEngage', ofJob: true },
    { path: 'shift/interlock', title: 'Interlock', file: 'shiftInterlock', ofJob: true },
    { path: 'shift/drum', title: 'Drum', file: 'shiftDrum' },
    { path: 'shift/clutch', title: 'Clutch', file: 'shiftClutch' },
    { path: 'shift/drive', title: 'Drive', file: 'shiftDrive', ofJob: true },
    { path: 'shift/complaints', title: 'Complaints', file: 'shiftComplaints', ofJob: true },
    { path: 'shift/rods', title: 'Rods and gate', file: 'shiftRods' },
  ],
  Measure: [
    { path: 'measure', title: 'Measure and judge', file: 'measure', ofJob: true },
    { path: 'order', title: 'Parts to order', file: 'order', ofJob: true },
  ],
  Build: [
    { path: 'build', title: 'Take apart', file: 'build', ofJob: true },
    { path: 'build?view=up', title: 'Put together', file: 'build', ofJob: true },
    { path: 'build/reach', title: 'Get at a part', file: 'buildReach', ofJob: true },
    { path: 'build/stack', title: 'Stack-up, timing', file: 'buildStack', ofJob: true },
    { path: 'build/differs', title: 'What differs', file: 'buildDiffers', ofJob: true },
    { path: 'build/sheet', title: 'Sheet of steps', file: 'buildSheet', ofJob: true },
  ],
} as const satisfies Readonly<Record<string, readonly [Page, ...Page[]]>>

export type StepTitle = keyof typeof PAGES

/** Whether a page shares the position of Trace, and all that is set with it. */
export function isOfTrace({ path }: Pick<Page, 'path'>): boolean {
  return path.split('/')[0] === 'trace'
}
