/** Run before each test file of a service: points it at the database of its worker. */
const url = new URL(process.env.DATABASE_URL ?? '')
url.pathname = `/worker_${process.env.JEST_WORKER_ID ?? '1'}`
process.env.DATABASE_URL = url.href
