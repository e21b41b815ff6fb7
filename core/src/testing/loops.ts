import { readdirSync } from 'node:fs'
import type { Answer } from '../kinds/answers'
import { type LoopKind, loopKinds } from '../kinds/kinds'
import { sampleOf } from './sampleOf'
import { emptyJob, emptyLoop } from '../document/documents'
import type { Edited } from '../wiring/chainEdit'
import { basics, profile } from './warmFloor'

const FOLDERS = [
  'controllers',
  'drives',
  'probes',
  'transmitters',
  'loads',
  'limiters',
  'permissives',
  'relays',
  'supplies',
]

/** The whole shelf, for tests. */
export const shelf = FOLDERS.flatMap((folder) =>
  readdirSync(new URL(`../../../shelf/${folder}`, import.meta.url)).map((file) =>
    profile(`${folder}/${file.replace('.json', '')}`),
  ),
)

/** A device of the shelf by its id. @throws RangeError when there is none */
export function device(id: string) {
  const found = shelf.find((each) => each.id === id)
  if (!found) throw new RangeError(`no device ${id} on the shelf`)
  return found
}

/** Answers of a plausible loop of each kind: every required question, and little else. */
export const plausible = Object.fromEntries(loopKinds.map((kind) => [kind, sampleOf(kind).answers])) as Readonly<
  Record<LoopKind, Readonly<Record<string, Answer>>>
>

/** An empty job with one surveyed loop of a kind. */
export function surveyed(kind: LoopKind, changes: Readonly<Record<string, Answer | undefined>> = {}): Edited {
  const job = emptyJob('job', basics)
  const loop = emptyLoop('loop', 'job', kind, `A ${kind}`, 1)
  const answers = Object.fromEntries(
    Object.entries({ ...plausible[kind], ...changes }).filter(
      (entry): entry is [string, Answer] => entry[1] !== undefined,
    ),
  )
  return { job, loop: { ...loop, survey: { ...loop.survey, answers } } }
}
