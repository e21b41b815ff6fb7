import { readFileSync } from 'node:fs'
import { checkLoop } from '../check/checkLoop'
import { loopContext } from '../loop/context'
import { proposedChain } from '../check/proposedChain'
import { proofTests } from '../commissioning/proofTests'
import { emptyJob, emptyLoop } from '../document/documents'
import { loopRecord } from '../document/fields/loopFields'
import { factsOfKind, type LoopKind, loopKinds } from '../kinds/kinds'
import { proposedHazards } from '../kinds/proposedHazards'
import type { Climate } from '../plant/climate'
import { fieldAt } from '../schema/fieldAt'
import { loopScenario } from '../simulate/loop/loopScenario'
import { runWeather } from '../simulate/loop/runWeather'
import { schools } from '../simulate/loop/schools'
import { simulate } from '../simulate/simulate'
import { propose } from '../survey/proposal'
import { surveyResult } from '../survey/surveyResult'
import { placements } from '../commissioning/placement'
import { mountingSteps } from '../commissioning/mountingSteps'
import { wordsFor } from '../words/words'
import { fieldData } from './fieldData'
import { chained } from './chains'
import { shelf } from './loops'
import { sampleOf } from './sampleOf'
import { basics } from './warmFloor'

// Goes the whole way with a kind, from its answers to a day's run and its tests, and prints what came of it as JSON.
const kind = process.argv[2] as LoopKind
const { answers } = sampleOf(kind)
const job = emptyJob('j', basics)
const empty = emptyLoop('l', 'j', kind, 'one', 1)
const loop = { ...empty, survey: { ...empty.survey, answers } }
const words = wordsFor(job)
const outcome = surveyResult(loop, { devices: [], connections: [] } as never, fieldData)
if (!outcome.ok) throw new Error(`still to find out: ${outcome.missing.join(', ')}`)
const proposal = propose({ loop, chain: { devices: [], connections: [] }, data: fieldData, words }, outcome.survey)
let made = 0
const begun = proposedChain({ job, loop }, proposal, { shelf, data: fieldData, makeId: () => `p${++made}` })
const edited = chained(kind)
const context = loopContext(edited.job, edited.loop, fieldData)
const climates = JSON.parse(
  readFileSync(new URL('../../../shelf/data/climates.json', import.meta.url), 'utf8'),
) as Climate[]
const run = loopScenario(context, context.survey!, runWeather(loop, 'day', 'design', climates[0]!, false))
const result = simulate(run.scenario)
const kindField = fieldAt(loopRecord, ['kind'])
process.stdout.write(
  JSON.stringify({
    listed: loopKinds.includes(kind),
    stored: kindField !== undefined && JSON.stringify(kindField).includes(kind),
    title: factsOfKind(kind).title,
    control: proposal.control,
    begun: Object.keys(begun?.loop.chain.devices ?? {}).length,
    devices: context.chain.devices.length,
    stops: checkLoop(context)
      .open.filter(({ severity }) => severity === 'stop')
      .map(({ code }) => code),
    hazards: proposedHazards(kind, answers).map(({ id }) => id),
    tests: proofTests(context).map(({ id }) => id.split('/')[0]),
    places: placements(context).length,
    mounting: mountingSteps(context).length,
    compared: schools(context).length,
    meanC: result.summary.meanC[run.controlled],
  }),
)
