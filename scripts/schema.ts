/** `npm run -s schema`: writes docs/box-file.schema.json from the schema that reads the files. */
import fs from 'node:fs'
import path from 'node:path'

import { format } from 'prettier'
import { z } from 'zod'

import { boxFileSchema } from '../app/files/boxFile.ts'
import { ROOT } from './paths.mjs'

const schema = z.toJSONSchema(boxFileSchema, { target: 'draft-2020-12' })
const file = path.join(ROOT, 'docs/box-file.schema.json')
fs.writeFileSync(file, await format(JSON.stringify(schema), { parser: 'json' }))
