/** A season of every loop of the demo job, in the engine as it is shipped: bundled, and alone in its process. Prints kind and ms, line by line. */
import { readFileSync } from 'node:fs'
import { loopContext } from '@nachtigal/core/loop/context'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { Climate } from '@nachtigal/core/plant/climate'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import { loopScenario } from '@nachtigal/core/simulate/loop/loopScenario'
import { runWeather } from '@nachtigal/core/simulate/loop/runWeather'
import { simulate } from '@nachtigal/core/simulate/simulate'

const json = <T>(file: string) => JSON.parse(readFileSync(file, 'utf8')) as T
const { job, loops } = json<{ job: JobDocument; loops: Record<string, LoopDocument> }>('demo/otterholm.nachtigal.json')
const data = Object.fromEntries(json<FieldValue[]>('shelf/data/fieldValues.json').map((row) => [row.id, row]))
const [climate] = json<Climate[]>('shelf/data/climates.json')
const all = Object.values(loops)
for (const loop of all) {
  const context = loopContext(job, loop, data, job, all)
  if (!context.survey) continue
  const weather = runWeather(loop, 'season', 'usual', climate!, false)
  const { scenario } = loopScenario(context, context.survey, weather)
  const begun = performance.now()
  simulate(scenario)
  console.log(loop.kind, performance.now() - begun)
}
