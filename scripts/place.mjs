/**
 * Where a cluster's data are. They are in the folder that was asked for. Where root runs
 * Udrix in a folder that PostgreSQL's user may not enter, they are in a folder of root's
 * own under /var/lib. Either is written down beside the folder that was asked for, so that
 * a shop is found again, or missed aloud, and never replaced by an empty one.
 */
import { createHash } from 'node:crypto'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { postgresOwner } from './postgres.mjs'
import { SetupError, isRoot, succeeds } from './run.mjs'

/** Only root writes there, so nobody else can have prepared a folder in it. */
const FALLBACK = '/var/lib/udrix'

/**
 * @typedef {{
 *   folder: string, data: string, passwordFile: string, shopPasswordFile: string, log: string,
 *   record: string
 * }} Place `passwordFile` holds the superuser's password, the other that of the shop's role
 */

/** @param {string} folder @param {string} record @returns {Place} */
function placeIn(folder, record) {
  return {
    folder,
    data: path.join(folder, 'data'),
    passwordFile: path.join(folder, 'password'),
    shopPasswordFile: path.join(folder, 'shop-password'),
    log: path.join(folder, 'postgres.log'),
    record,
  }
}

/** What stands beside the data. @param {Place} place */
function filesOf({ passwordFile, shopPasswordFile, log }) {
  return [passwordFile, shopPasswordFile, log]
}

/** @param {string} file */
function isThere(file) {
  return fs.lstatSync(file, { throwIfNoEntry: false }) !== undefined
}

/** Whether a folder is absent or holds nothing. @param {string} folder */
export function isEmpty(folder) {
  return !isThere(folder) || fs.readdirSync(folder).length === 0
}

/** Whether PostgreSQL's user may enter a folder. @param {string} folder */
function isOpen(folder) {
  return !isRoot || succeeds('runuser', ['-u', 'postgres', '--', 'test', '-x', folder])
}

/**
 * Makes a folder, and those above it, for PostgreSQL's user to enter, whatever the mask says.
 * One after the other: Node's own recursion does not end where a folder cannot be made.
 *
 * @param {string} folder
 */
export function makeOpenFolder(folder) {
  if (fs.existsSync(folder)) return
  makeOpenFolder(path.dirname(folder))
  fs.mkdirSync(folder)
  fs.chmodSync(folder, 0o755)
}

/** @param {string} record @returns {string | undefined} the folder that was written down */
function recorded(record) {
  if (!isThere(record)) return undefined
  try {
    /** @type {unknown} */
    const content = JSON.parse(fs.readFileSync(record, 'utf8'))
    if (content && typeof content === 'object' && 'folder' in content)
      return path.resolve(path.dirname(record), String(content.folder))
  } catch {
    // Told below like any other content that is none of ours.
  }
  throw new SetupError(
    `${record} says where the data are, and cannot be read. Write {"folder": "…"} into it with the folder that holds "data".`,
  )
}

/** Where earlier versions of Udrix kept the data of a closed folder. @param {string} wanted */
function formerPlace(wanted) {
  const digest = createHash('sha256').update(wanted).digest('hex').slice(0, 12)
  const folder = path.join('/var/tmp', `udrix-${digest}`)
  return isRoot && isThere(path.join(folder, 'data/PG_VERSION')) ? folder : undefined
}

/** @param {string} wanted */
function ownPlace(wanted) {
  return path.join(
    FALLBACK,
    createHash('sha256').update(fs.realpathSync(wanted)).digest('hex').slice(0, 12),
  )
}

/**
 * Refuses what somebody else may have prepared: a link or a folder of another user.
 *
 * @param {Place} place
 */
function refuseForeign(place) {
  const ours = [0, process.getuid?.(), postgresOwner().uid]
  for (const file of [place.folder, place.data, ...filesOf(place)]) {
    const found = fs.lstatSync(file, { throwIfNoEntry: false })
    if (!found) continue
    if (!ours.includes(found.uid))
      throw new SetupError(
        `${file} belongs to another user (${found.uid}), so Udrix keeps no data there. Start Udrix as that user (you are ${os.userInfo().username}), or give the folder to yourself with chown.`,
      )
    if (found.isSymbolicLink() && file !== place.folder)
      throw new SetupError(
        `${file} is a link, and Udrix follows none to its data. Move what it points to into its place.`,
      )
  }
}

/**
 * Where the cluster that was asked for in `wanted` stands or is to stand. Fails with a
 * sentence where there were data and they cannot be had.
 *
 * @param {string} wanted
 * @returns {Place}
 */
export function findPlace(wanted) {
  const record = `${wanted}.place.json`
  makeOpenFolder(wanted)
  const known = recorded(record)
  const inWanted = placeIn(wanted, record)
  const folder =
    known ??
    (isEmpty(inWanted.data) ? formerPlace(wanted) : undefined) ??
    (isOpen(wanted) || !isEmpty(inWanted.data) ? wanted : ownPlace(wanted))
  const place = placeIn(folder, record)
  refuseForeign(place)
  if (known !== undefined && isEmpty(place.data))
    throw new SetupError(
      `The data of this Udrix were in ${place.data}, and nothing is there. Put them back, from a backup if need be. To begin an empty shop on purpose, remove ${record}.`,
    )
  if (!isEmpty(place.data) && !isThere(path.join(place.data, 'PG_VERSION')))
    throw new SetupError(
      `${place.data} holds files but is no whole PostgreSQL data folder: PG_VERSION is missing. Perhaps a copy was broken off: copy it again. Udrix deletes nothing there; to begin an empty shop on purpose, move that folder away and remove ${record}.`,
    )
  if (known === undefined) makeOpenFolder(folder)
  if (!isOpen(folder))
    throw new SetupError(
      `The data of this Udrix are in ${folder}, which the user "postgres" may not enter any longer. Let it in again: chmod o+x on that folder and on those above it.`,
    )
  return place
}

/**
 * Writes down where the data are.
 *
 * @param {Place} place
 */
export function recordPlace({ folder, record }) {
  const near = path.relative(path.dirname(record), folder)
  // A folder beside the record is found again wherever both are moved.
  const content = { folder: near.startsWith('..') ? folder : near }
  fs.writeFileSync(record, `${JSON.stringify(content)}\n`)
}

/**
 * What root copied belongs to root, and PostgreSQL refuses it: it is given to PostgreSQL's
 * user again, with the rights that PostgreSQL asks for.
 *
 * @param {Place} place
 */
export function ownPlaceAgain(place) {
  const { folder, data } = place
  const files = filesOf(place)
  const { uid, gid } = postgresOwner()
  if (fs.statSync(data).uid !== uid) {
    succeeds('chown', ['-R', '--no-dereference', `${uid}:${gid}`, data])
    for (const file of [folder, ...files]) if (isThere(file)) fs.lchownSync(file, uid, gid)
  }
  if ((fs.statSync(data).mode & 0o077) !== 0) fs.chmodSync(data, 0o700)
  for (const file of files) if (isThere(file)) fs.chmodSync(file, 0o600)
}
