/** Archives of older versions, read as if this version had written them. Nothing else knows of older ones. */
import { z } from 'zod'

import { FILES, VERSION, fileName, idIn } from '../../files/archiveFormat.ts'
import { parseJson } from '../../files/text.ts'
import type { Steps } from '../../files/versions.ts'
import { broughtUp } from '../../files/versions.ts'
import type { ArchiveFiles } from './zip.ts'
import { ArchiveProblem } from './zip.ts'

/** A record of version 1 has the whole history in it. */
const LARGEST_RECORD_1_BYTES = 200_000_000

const record1Schema = FILES.records.schema.extend({ history: z.array(z.unknown()) })

/** Version 1 had boxes and records only, without checksums, with the history inside the record. */
function from1(files: ArchiveFiles): ArchiveFiles {
  const read = async (id: string): Promise<z.infer<typeof record1Schema>> => {
    const name = fileName('records', id)
    const json = parseJson(await files.text(name, LARGEST_RECORD_1_BYTES))
    const record = record1Schema.safeParse(json.ok ? json.content : undefined)
    if (record.success) return record.data
    throw new ArchiveProblem(`${name} is no record of an archive of version 1.`)
  }
  return {
    names: files.names,
    has: (name) => {
      const id = idIn('history', name)
      return files.has(id === undefined ? name : fileName('records', id))
    },
    bytes: (name, most) => files.bytes(name, most),
    text: async (name, most) => {
      const id = idIn('records', name)
      if (id === undefined) return files.text(name, most)
      const { history: _history, ...record } = await read(id)
      return JSON.stringify(record)
    },
    async *lines(name, longest) {
      const id = idIn('history', name)
      if (id === undefined) yield* files.lines(name, longest)
      else for (const line of (await read(id)).history) yield JSON.stringify(line)
    },
  }
}

const STEPS: Steps<ArchiveFiles> = new Map([[1, from1]])

/** The files of an archive as this version writes them. Throws an `ArchiveProblem` for versions that it does not know. */
export function filesOf(zip: ArchiveFiles, version: number): ArchiveFiles {
  const files = broughtUp(STEPS, version, zip)
  if (files) return files
  throw new ArchiveProblem(
    `This archive has version ${version}; this Udrix reads versions 1 to ${VERSION}. Open it with a newer Udrix.`,
  )
}
