/**
 * Run before each test file: points it at the database of its worker, and gives properties
 * the seed that is set, so that a run can be had again.
 */
import fc from 'fast-check'

const { UDRIX_SEED } = process.env
if (UDRIX_SEED !== undefined) fc.configureGlobal({ seed: Number(UDRIX_SEED) })

const url = new URL(process.env.DATABASE_URL ?? '')
url.pathname = `/worker_${process.env.JEST_WORKER_ID ?? '1'}`
process.env.DATABASE_URL = url.href
