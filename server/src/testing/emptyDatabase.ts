import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { PGlite } from '@electric-sql/pglite'
import { openEmbedded, openInMemory } from '../db/openDatabase'

// For tests: making a database takes ten times as long as opening one, so it is made once and kept until what makes it changes.

const at = (place: string) => fileURLToPath(new URL(place, import.meta.url))
/** Folder of the migrations. */
export const migrations = at('../../migrations')
/** A clock that stands. */
export const now = () => '2026-01-05T08:00:00.000Z'

const kept = at('../../../node_modules/.cache/nachtigal')

/** Changes with whatever an empty database is made by. */
function mark(): string {
  const hash = createHash('sha256')
  const sources = [
    ...readdirSync(migrations, { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.(sql|json)$/.test(name))
      .sort()
      .map((name) => path.join(migrations, name)),
    at('../db/embeddedEngine.ts'),
    at('../db/durableFs.ts'),
    at('../../../node_modules/@electric-sql/pglite/package.json'),
  ]
  for (const source of sources) hash.update(source).update('\0').update(readFileSync(source)).update('\0')
  return hash.digest('hex').slice(0, 20)
}

/** Makes what is not kept yet; of several that make it at once the first to be done is kept. */
async function madeOnce(name: string, make: (place: string) => Promise<void>): Promise<string> {
  const place = path.join(kept, `${name}-${mark()}`)
  if (existsSync(place)) return place
  mkdirSync(kept, { recursive: true })
  const making = mkdtempSync(path.join(kept, 'making-'))
  try {
    const made = path.join(making, name)
    await make(made)
    if (!existsSync(place)) renameSync(made, place)
  } catch (error) {
    // Another was quicker between the look and the move.
    if (!existsSync(place)) throw error
  } finally {
    rmSync(making, { recursive: true, force: true })
  }
  return place
}

/** An embedded database in memory, without rows, as an archive that the engine opens. */
export async function emptyArchive(): Promise<Blob> {
  const place = await madeOnce('empty.tar', async (made) => {
    const client = await PGlite.create()
    const opened = await openInMemory({ migrations, now }, client)
    writeFileSync(made, Buffer.from(await (await client.dumpDataDir('none')).arrayBuffer()))
    await opened.close()
  })
  return new Blob([readFileSync(place)])
}

/** Puts a data folder with a database without rows where a server is to begin. */
export async function emptyData(to: string): Promise<void> {
  const place = await madeOnce('empty', async (made) => {
    await (await openEmbedded(made, { migrations, now })).close()
  })
  // As the system copies: Node's own way is eight times as slow.
  mkdirSync(to, { recursive: true })
  execFileSync('cp', ['-r', `${place}/.`, to])
}
