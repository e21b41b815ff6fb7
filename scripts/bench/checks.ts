/**
 * A check of every loop of the demo job after a change of its plan, and after one of its chain, as it is shipped: bundled, and alone in its
 * process. Prints kind, what was changed and ms, line by line.
 */
import { readFileSync } from 'node:fs'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { loopContext } from '@nachtigal/core/loop/context'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'

const ROUNDS = 60
const json = <T>(file: string) => JSON.parse(readFileSync(file, 'utf8')) as T
const { job, loops } = json<{ job: JobDocument; loops: Record<string, LoopDocument> }>('demo/otterholm.nachtigal.json')
const data = Object.fromEntries(json<FieldValue[]>('shelf/data/fieldValues.json').map((row) => [row.id, row]))
const all = Object.values(loops)

/** The same loop after a change: what was changed is another object with what leads to it, all else is the very same. */
const changes: Readonly<Record<string, (loop: LoopDocument, round: number) => LoopDocument>> = {
  plan: ({ settings, ...loop }, round) => ({
    ...loop,
    settings: {
      ...settings,
      planned: Object.fromEntries(
        Object.entries(settings.planned).map(([id, plan], i) => [
          id,
          i === 0 ? { ...plan, offsetK: plan.offsetK + round * 1e-6 } : plan,
        ]),
      ),
    },
  }),
  chain: ({ chain, ...loop }, round) => ({
    ...loop,
    chain: {
      ...chain,
      devices: Object.fromEntries(
        Object.entries(chain.devices).map(([id, device], i) => [
          id,
          i === 0 ? { ...device, name: `${device.name} ${round}` } : device,
        ]),
      ),
    },
  }),
}
for (const each of all) loopContext(job, each, data, job, all)
for (const each of all)
  for (const [what, change] of Object.entries(changes)) {
    const took = Array.from({ length: ROUNDS }, (_, round) => {
      const changed = change(each, round)
      const now = all.map((other) => (other === each ? changed : other))
      const begun = performance.now()
      checkLoop(loopContext(job, changed, data, job, now))
      return performance.now() - begun
    }).sort((a, b) => a - b)
    console.log(each.kind, what, took[ROUNDS / 2])
  }
