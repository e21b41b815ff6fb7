import { proofTests } from '../commissioning/proofTests'
import { findSymptoms } from '../commissioning/findSymptoms'
import { keyingSheet } from '../commissioning/keyingSheet'
import { placements } from '../commissioning/placement'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import { checkLoop } from '../check/checkLoop'
import { runOutcome } from '../check/runOutcome'
import { loopEntries } from '../find/loopEntries'
import { cautionsAt, hazards, workflowSteps } from '../kinds/hazards'
import { factsOfKind } from '../kinds/kinds'
import { assumedList } from '../loop/assumedList'
import { type LoopContext, loopContext } from '../loop/context'
import { loopFacts, sayFact } from '../loop/facts'
import { stepStatus } from '../progress/stepStatus'
import { bandView } from '../settings/band/bandView'
import { plansOf } from '../settings/behaviour'
import { consequences } from '../settings/consequences'
import { ownerTells } from '../settings/owner/ownerTells'
import { simulate } from '../simulate/simulate'
import { loopScenario } from '../simulate/loop/loopScenario'
import { dayWeather } from '../simulate/loop/runWeather'
import type { Edited } from '../wiring/edited'
import { fieldData } from './fieldData'
import { symptoms } from './symptoms'

/** Every text in a value, with the way to it. A key is a name of ours, and where a device hangs was typed by somebody: no text of ours. */
export function textsIn(value: unknown, path = ''): readonly (readonly [path: string, text: string])[] {
  if (typeof value === 'string') return path.endsWith('.place') ? [] : [[path, value]]
  if (typeof value !== 'object' || value === null) return []
  if (value instanceof Map || value instanceof Set) return textsIn([...value.values()], path)
  return Object.entries(value).flatMap(([key, inner]) => textsIn(inner, `${path}.${key}`))
}

/** What is made of the loop for reading, by where it stands. */
function partsOf(context: LoopContext): Readonly<Record<string, unknown>> {
  const { loop, chain, survey, words } = context
  const plans = plansOf(loop.settings.planned)
  const day = dayWeather(loop, 'design')
  const run = survey && plans.length > 0 ? loopScenario(context, survey, day) : undefined
  return {
    findings: checkLoop(context).open,
    keying: keyingSheet(context).map(({ rows }) => rows),
    wires: context.rows,
    tests: proofTests(context),
    safety: safetyBlocks(context),
    symptoms: findSymptoms(context, symptoms),
    placements: placements(context),
    owner: ownerTells(context),
    facts: [...loopFacts(context).values()].map((fact) => sayFact(fact, words)),
    find: loopEntries(context).map(({ what, where }) => [what, where]),
    status: stepStatus(context),
    assumed: assumedList(context),
    survey: survey?.lines,
    questions: factsOfKind(loop.kind).questions,
    means: plans.map((plan) =>
      plan.kind === 'on-off' ? consequences(plan, context) : plan.kind === 'band' ? bandView(context, plan).lines : [],
    ),
    run: run ? runOutcome(context, run, simulate(run.scenario), day.extremeC).sentences : [],
    cautions: [hazards, workflowSteps.map((step) => cautionsAt(loop.survey.hazards, step))],
    devices: chain.devices.map(({ facts, name }) => [name, facts.summary, facts.note, facts.options]),
  }
}

/** Every text of a loop that a fitter may read, in the units of its job, with where it stands. */
export function everyText({ job, loop }: Edited): readonly (readonly [place: string, text: string])[] {
  const context = loopContext(job, loop, fieldData)
  return Object.entries(partsOf(context)).flatMap(([part, value]) =>
    textsIn(value).map(([path, text]) => [`${part}${path}`, context.words.tell(text)] as const),
  )
}
