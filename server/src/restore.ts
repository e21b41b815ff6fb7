import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { backupsIn, restoreDump } from './backup/backups'
import { lockFolder } from './db/folderLock'
import { putInPlace } from './db/openDatabase'
import { OpenRefused } from './db/openRefused'
import { programRoot } from './programRoot'
import { settingsFrom } from './startServer'

/** `npm run restore [-- name]`: puts a backup, the newest where none is named, in the place of the database while no server runs. */
async function restore() {
  const settings = settingsFrom(programRoot, false)
  const [named] = process.argv.slice(2)
  const folder = settings.backups[0]!
  const kind = settings.url ? 'server' : 'embedded'
  const all = backupsIn(folder).filter(({ engine }) => engine === kind)
  if (named === '--list' || all.length === 0) {
    console.log(
      all.length === 0
        ? `There is no backup in ${folder}.`
        : all.map(({ name, holding }) => `${name}  ${holding.jobs} jobs, ${holding.rows} changes`).join('\n'),
    )
    process.exitCode = all.length === 0 ? 1 : 0
    return
  }
  const backup = named === undefined ? all[0]! : all.find(({ name }) => name === named)
  if (!backup) throw new OpenRefused(`there is no backup ${named} in ${folder}; npm run restore -- --list shows them`)
  const now = new Date().toISOString()
  if (settings.url) await restoreDump(settings.url, path.join(folder, backup.name))
  else {
    mkdirSync(settings.folder, { recursive: true })
    // A server that runs on it keeps it: nothing is pulled away from under it.
    const lock = await lockFolder(settings.folder, () => now)
    try {
      const aside = putInPlace(path.join(settings.folder, 'postgres'), path.join(folder, backup.name, 'postgres'), now)
      if (aside) console.log(`What was there is set aside: ${aside}`)
    } finally {
      await lock.release()
    }
  }
  console.log(
    `Restored: ${backup.name}, ${backup.holding.jobs} jobs, ${backup.holding.rows} changes. What came after ${backup.at} is not in it; devices that still hold some of it will send that. Start the server: npm start`,
  )
}

restore().catch((error: unknown) => {
  console.error(error instanceof OpenRefused ? error.message : error)
  process.exit(1)
})
