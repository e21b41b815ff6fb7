import path from 'node:path'
import { fileURLToPath } from 'node:url'

/** Folder of the program: two above the bundle. */
export const programRoot =
  process.env['NACHTIGAL_ROOT'] ?? path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..')
