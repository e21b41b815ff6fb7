import { existsSync, readdirSync, readFileSync } from 'node:fs'
import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'

/** A loop of a kind for tests, kept in the kind's own folder: every required answer and little else, and a chain that is sound. */
interface Sample {
  readonly kind: string
  readonly answers: Readonly<Record<string, Answer>>
  readonly chain: readonly string[]
}

const kinds = new URL('../kinds/', import.meta.url)
const samples = readdirSync(kinds)
  .map((folder) => new URL(`${folder}/sample.json`, kinds))
  .filter((file) => existsSync(file))
  .map((file) => JSON.parse(readFileSync(file, 'utf8')) as Sample)

/** The sample of a kind. @throws RangeError when its folder has none */
export function sampleOf(kind: LoopKind): Sample {
  const found = samples.find((sample) => sample.kind === kind)
  if (!found) throw new RangeError(`no sample.json says that it is of the kind ${kind}`)
  return found
}
