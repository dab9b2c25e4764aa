import path from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's root folder. */
export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')

/** Everything that Udrix makes while it runs, kept out of git. */
export const STATE = path.join(ROOT, '.udrix')
