import { tooManyFiles } from './db/openRefused'

// Loaded from here, so that a machine on which not even the program can be read says in words why.
import('./program.js')
  .then(({ program }) => program())
  .catch((error: unknown) => {
    const { code } = (error ?? {}) as { code?: unknown }
    console.error(code === 'EMFILE' || code === 'ENFILE' ? tooManyFiles(error).message : error)
    process.exit(1)
  })
