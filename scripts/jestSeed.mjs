/** Run before each test file: gives properties the seed that is set, so that a run can be had again. */
import fc from 'fast-check'

const { UDRIX_SEED } = process.env
if (UDRIX_SEED !== undefined) fc.configureGlobal({ seed: Number(UDRIX_SEED) })
