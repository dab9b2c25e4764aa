/** `npm run -s schema`: writes the JSON Schemas and the table of fields in docs/ from what files are read by. */
import fs from 'node:fs'
import path from 'node:path'

import { z } from 'zod'

import { boxFileSchema } from '../app/files/boxFile.ts'
import { jobRecordSchema } from '../app/files/jobRecord.ts'
import { fieldTable } from './fieldTable.ts'
import { ROOT } from './paths.mjs'

const SCHEMAS = { 'box-file': boxFileSchema, 'job-record': jobRecordSchema }

for (const [name, schema] of Object.entries(SCHEMAS)) {
  const json = JSON.stringify(z.toJSONSchema(schema, { target: 'draft-2020-12' }))
  fs.writeFileSync(path.join(ROOT, `docs/${name}.schema.json`), json)
}

fs.writeFileSync(path.join(ROOT, 'docs/fields.md'), fieldTable())
