/** Reads a ZIP file from disk, one file in it at a time, with the checksums of each. */
import { createHash } from 'node:crypto'
import type { Readable } from 'node:stream'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { StringDecoder } from 'node:string_decoder'
import zlib from 'node:zlib'

import type { Entry, ZipFile } from 'yauzl'
import { openPromise } from 'yauzl'

/** Something about the archive that the person can be told as it stands. */
export class ArchiveProblem extends Error {}

const NOT_A_ZIP =
  'This file is not a ZIP archive, or it is damaged. Choose a file that Udrix exported.'

/** The files of an archive, one at a time. What is wrong with one is an `ArchiveProblem`. */
export interface ArchiveFiles {
  readonly names: readonly string[]
  readonly has: (name: string) => boolean
  /** A whole file of at most that size. */
  readonly bytes: (name: string, most: number) => Promise<Buffer>
  readonly text: (name: string, most: number) => Promise<string>
  /** The lines of a file, one at a time, each of at most that length. */
  readonly lines: (name: string, longest: number) => AsyncIterable<string>
}

export class ZipReader implements ArchiveFiles {
  readonly #zip: ZipFile
  readonly #entries: ReadonlyMap<string, Entry>
  /** SHA-256 of each file, where the archive states them. */
  #checksums: ReadonlyMap<string, string> = new Map()

  private constructor(zip: ZipFile, entries: ReadonlyMap<string, Entry>) {
    this.#zip = zip
    this.#entries = entries
  }

  static async open(path: string): Promise<ZipReader> {
    try {
      const zip = await openPromise(path, { lazyEntries: true, autoClose: false })
      const entries = new Map<string, Entry>()
      for await (const entry of zip.eachEntry()) {
        if (entries.has(entry.fileName))
          throw new ArchiveProblem(`${entry.fileName} stands twice in this archive.`)
        entries.set(entry.fileName, entry)
      }
      return new ZipReader(zip, entries)
    } catch (error) {
      throw error instanceof ArchiveProblem ? error : new ArchiveProblem(NOT_A_ZIP)
    }
  }

  close(): void {
    this.#zip.close()
  }

  get names(): readonly string[] {
    return [...this.#entries.keys()]
  }

  has(name: string): boolean {
    return this.#entries.has(name)
  }

  /** From here on every file must have the checksum that is stated for it. */
  expect(checksums: ReadonlyMap<string, string>): void {
    this.#checksums = checksums
  }

  /** The content of a file; it fails at its end where that was changed. */
  async #stream(name: string): Promise<Readable> {
    const entry = this.#entries.get(name)
    if (!entry) throw new ArchiveProblem(`${name} is missing in this archive.`)
    const stated = this.#checksums.get(name)
    const hash = createHash('sha256')
    let crc = 0
    const check = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        hash.update(chunk)
        crc = zlib.crc32(chunk, crc)
        done(null, chunk)
      },
      flush(done) {
        const isWhole =
          crc === entry.crc32 && (stated === undefined || stated === hash.digest('hex'))
        done(
          isWhole
            ? null
            : new ArchiveProblem(
                `${name} was changed or damaged after Udrix wrote it: its checksum is another.`,
              ),
        )
      },
    })
    let source: Readable
    try {
      source = await this.#zip.openReadStreamPromise(entry)
    } catch {
      throw new ArchiveProblem(`${name} cannot be unpacked: the archive is damaged.`)
    }
    // What goes wrong on the way is told where the end of it is read.
    pipeline(source, check).catch(() => undefined)
    return check
  }

  /** The content of a file, piece by piece. */
  async *#chunks(name: string): AsyncGenerator<Buffer> {
    const stream = await this.#stream(name)
    try {
      for await (const chunk of stream) yield chunk as Buffer
    } catch (error) {
      throw error instanceof ArchiveProblem
        ? error
        : new ArchiveProblem(`${name} cannot be unpacked: the archive is damaged.`)
    }
  }

  async bytes(name: string, most: number): Promise<Buffer> {
    if ((this.#entries.get(name)?.uncompressedSize ?? 0) > most)
      throw new ArchiveProblem(`${name} is larger than anything that Udrix writes.`)
    const chunks: Buffer[] = []
    for await (const chunk of this.#chunks(name)) chunks.push(chunk)
    return Buffer.concat(chunks)
  }

  async text(name: string, most: number): Promise<string> {
    return (await this.bytes(name, most)).toString('utf8')
  }

  async *lines(name: string, longest: number): AsyncGenerator<string> {
    const decoder = new StringDecoder('utf8')
    let rest = ''
    for await (const chunk of this.#chunks(name)) {
      const lines = (rest + decoder.write(chunk)).split('\n')
      rest = lines.pop() ?? ''
      if (rest.length > longest)
        throw new ArchiveProblem(`${name} has a line longer than anything that Udrix writes.`)
      for (const line of lines) if (line !== '') yield line
    }
    if (rest !== '') yield rest
  }
}
