/** `npm run -s schema`: writes the JSON Schemas in docs/ from the schemas of the files. */
import fs from 'node:fs'
import path from 'node:path'

import { format, resolveConfig } from 'prettier'
import { z } from 'zod'

import { boxFileSchema } from '../app/files/boxFile.ts'
import { jobRecordSchema } from '../app/files/jobRecord.ts'
import { ROOT } from './paths.mjs'

const SCHEMAS = { 'box-file': boxFileSchema, 'job-record': jobRecordSchema }

for (const [name, schema] of Object.entries(SCHEMAS)) {
  const json = JSON.stringify(z.toJSONSchema(schema, { target: 'draft-2020-12' }))
  const file = path.join(ROOT, `docs/${name}.schema.json`)
  fs.writeFileSync(file, await format(json, { ...(await resolveConfig(file)), parser: 'json' }))
}
