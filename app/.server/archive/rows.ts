/** What of an archive is one record a line: how rows of the database become lines, and lines rows. */
import { and, asc, eq, gt, inArray } from 'drizzle-orm'

import type { Line, LinesKind } from '../../files/archiveFormat.ts'
import type { Queries } from '../db/client.ts'
import { bodyOfColumn, draftOfDocument, editOfColumn, originOfColumn } from '../db/documents.ts'
import { boxRevisions } from '../db/tables/boxRevisions.ts'
import { jobEntries } from '../db/tables/jobEntries.ts'
import { ArchiveProblem } from './zip.ts'

/** Rows fetched or put in at once, most of which hold a whole box. */
export const BATCH = 20

export interface Rows<L> {
  /** The next lines of a box or a job, past a place in their order. */
  readonly after: (
    tx: Queries,
    owner: string,
    place: number,
  ) => Promise<readonly { readonly place: number; readonly line: L }[]>
  /**
   * Which of these lines are not here yet; all are where their owner came in just now. Throws an
   * `ArchiveProblem` where one has the id of something else.
   */
  readonly missing: (tx: Queries, owner: string, lines: readonly L[]) => Promise<readonly L[]>
  readonly put: (tx: Queries, owner: string, lines: readonly L[]) => Promise<unknown>
}

/** See `FILES`: a kind of lines that is not here does not compile. */
export const ROWS: { readonly [K in LinesKind]: Rows<Line<K>> } = {
  history: {
    after: async (tx, boxId, place) => {
      const rows = await tx
        .select()
        .from(boxRevisions)
        .where(and(eq(boxRevisions.boxId, boxId), gt(boxRevisions.id, place)))
        .orderBy(asc(boxRevisions.id))
        .limit(BATCH)
      return rows.map(({ id, revision, edit, isApplied, origin, documentBefore, at }) => ({
        place: id,
        line: {
          revision,
          isApplied,
          edit: editOfColumn(boxId, edit),
          origin: originOfColumn(boxId, origin),
          documentBefore: draftOfDocument(boxId, documentBefore),
          at: at.toISOString(),
        },
      }))
    },
    // It comes in with its box or not at all.
    missing: (_tx, _boxId, lines) => Promise.resolve(lines),
    put: (tx, boxId, lines) =>
      tx
        .insert(boxRevisions)
        .values(lines.map(({ at, ...line }) => ({ ...line, boxId, at: new Date(at) }))),
  },
  entries: {
    after: async (tx, jobId, place) => {
      const rows = await tx
        .select()
        .from(jobEntries)
        .where(and(eq(jobEntries.jobId, jobId), gt(jobEntries.seq, place)))
        .orderBy(asc(jobEntries.seq))
        .limit(BATCH)
      return rows.map(({ seq, id, at, deviceAt, receivedAt, by, body }) => ({
        place: seq,
        line: {
          id,
          at: at.toISOString(),
          deviceAt: deviceAt?.toISOString() ?? null,
          receivedAt: receivedAt.toISOString(),
          by,
          body: bodyOfColumn(id, body),
        },
      }))
    },
    missing: async (tx, jobId, lines) => {
      const ids = lines.map(({ id }) => id)
      const known = await tx
        .select({ id: jobEntries.id, jobId: jobEntries.jobId })
        .from(jobEntries)
        .where(inArray(jobEntries.id, ids))
      const foreign = known.find((row) => row.jobId !== jobId)
      if (foreign)
        throw new ArchiveProblem(`Under the id ${foreign.id} another job has an entry here.`)
      const here = new Set(known.map(({ id }) => id))
      return lines.filter(({ id }) => !here.has(id))
    },
    put: (tx, jobId, lines) =>
      tx.insert(jobEntries).values(
        lines.map(({ at, deviceAt, receivedAt, ...line }) => ({
          ...line,
          jobId,
          at: new Date(at),
          deviceAt: deviceAt === null ? null : new Date(deviceAt),
          receivedAt: new Date(receivedAt),
        })),
      ),
  },
}
