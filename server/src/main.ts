import { fileURLToPath } from 'node:url'
import { setFlagsFromString } from 'node:v8'
import { dataFolder } from './dataFolder'
import { beginEmbedded } from './db/beginEmbedded'
import { enoughFiles } from './db/enoughFiles'
import { tooManyFiles } from './db/openRefused'
import { programRoot } from './programRoot'

// What the engine is made of is compiled further while it runs: with as many tasks as there are, they would take the start's own time.
setFlagsFromString('--wasm-num-compilation-tasks=1')

async function start() {
  enoughFiles(fileURLToPath(import.meta.url))
  // The engine starts while the program is read. What keeps it from it is said by whoever opens the database.
  const begun = process.env['DATABASE_URL']
    ? undefined
    : beginEmbedded(dataFolder(programRoot), () => new Date().toISOString())
  begun?.catch(() => undefined)
  // Loaded from here, so that a machine on which not even the program can be read says in words why.
  const { program } = await import('./program.js')
  await program(begun)
}

start().catch((error: unknown) => {
  const { code } = (error ?? {}) as { code?: unknown }
  console.error(code === 'EMFILE' || code === 'ENFILE' ? tooManyFiles(error).message : error)
  process.exit(1)
})
