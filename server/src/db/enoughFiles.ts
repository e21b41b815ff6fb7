import { closeSync, openSync } from 'node:fs'

/** Files that the engine and the program open at once while they start; measured: 100 are too few, 140 enough. */
const NEEDED = 128

/**
 * Whether this process may open as many files as a start needs; tried, not asked of the system.
 * Without it a start breaks wherever it happens to be, each time with other words, or waits for ever.
 * @param file any that can be read
 * @throws the system's own error (EMFILE, ENFILE) when there are too few
 */
export function enoughFiles(file: string) {
  const open: number[] = []
  try {
    while (open.length < NEEDED) open.push(openSync(file, 'r'))
  } finally {
    open.forEach((descriptor) => closeSync(descriptor))
  }
}
