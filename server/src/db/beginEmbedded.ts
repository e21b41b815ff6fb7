import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs'
import path from 'node:path'
import { type EmbeddedThread, openedThread } from './embeddedThread'
import { type FolderLock, lockFolder } from './folderLock'
import { folderProblem, OpenRefused } from './openRefused'

/** A folder that is taken, and the engine that is being started on it. */
export interface BegunEngine {
  readonly lock: FolderLock
  /** Where the engine has its files. */
  readonly home: string
  /** Whether there was no database yet. */
  readonly fresh: boolean
  readonly opened: Promise<EmbeddedThread>
}

/**
 * Takes a data folder and starts the embedded engine on it. It takes about as long as the program takes to be read: a server does both
 * at once.
 * @throws FolderInUse when another server has it, OpenRefused in words when it cannot be used
 */
export async function beginEmbedded(folder: string, now: () => string): Promise<BegunEngine> {
  try {
    mkdirSync(folder, { recursive: true })
  } catch (error) {
    throw folderProblem(error, folder)
  }
  const lock = await lockFolder(folder, now)
  const home = path.join(folder, 'postgres')
  try {
    checkHome(home)
  } catch (error) {
    await lock.release()
    throw error
  }
  const fresh = !existsSync(home)
  const opened = openedThread(home)
  // Whoever goes on with it is told.
  opened.catch(() => undefined)
  return { lock, home, fresh, opened }
}

/** Major version of the engine that folders are made with. */
const ENGINE_VERSION = '18'

/** @throws OpenRefused when the folder holds something that must not be opened */
function checkHome(home: string) {
  if (!existsSync(home)) return
  if (!statSync(home).isDirectory())
    throw new OpenRefused(`${home} is a file, not a database. Move it away; nothing was touched.`)
  const version = path.join(home, 'PG_VERSION')
  if (!existsSync(version))
    throw new OpenRefused(
      `${home} is not a database: it has no PG_VERSION but holds ${readdirSync(home).slice(0, 5).join(', ') || 'nothing'}. It may be half a copy, or another program\u2019s folder. Move it away, or restore a backup; nothing was touched.`,
    )
  const found = readFileSync(version, 'utf8').trim()
  if (found !== ENGINE_VERSION)
    throw new OpenRefused(
      `the database in ${home} is of engine version ${found.slice(0, 20)}, this program opens ${ENGINE_VERSION}. Start the Nachtigal that wrote it, take the jobs out as files, and open those here; nothing was touched.`,
    )
}
