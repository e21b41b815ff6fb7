import { type ResolvedChain, resolveChain } from '../document/chain'
import type { JobDocument, LoopDocument } from '../document/documents'
import { remembered, rememberedByWord, rememberedOfBoth } from '../memory/remembered'
import type { FieldData } from '../plant/fieldValue'
import { type LoopSurvey, type SurveyOutcome, surveyResult } from '../survey/surveyResult'
import type { UnitPreferences } from '../units/quantity'
import { type Words, wordsFor } from '../words/words'
import { keptPlan } from '../settings/keptPlan'
import { wireList } from '../wiring/wireList'
import type { WireList, WireRow } from '../wiring/wireRow'
import { type SharedDraw, supplyDraws } from '../wiring/supplyDraws'
import { judgeConnections, type ConnectionVerdict } from './judgeConnection'

/** Everything derived from a loop that rules, screens and sheets look at; made once per change. */
export interface LoopContext {
  readonly job: JobDocument
  /** Its plans hold only what their controllers can keep. */
  readonly loop: LoopDocument
  readonly data: FieldData
  readonly words: Words
  readonly chain: ResolvedChain
  readonly judgedConnections: readonly ConnectionVerdict[]
  readonly rows: readonly WireRow[]
  readonly wires: WireList
  readonly survey: LoopSurvey | undefined
  readonly missing: readonly string[]
  /** What the job's other loops draw from the supplies that they share with this one. */
  readonly others: readonly SharedDraw[]
}

// Each part is remembered by the parts of the document that it is made from: a plan that moves makes no wire list anew.
const wiresOf = rememberedOfBoth((chain: ResolvedChain, rows: LoopDocument['wiring']['rows']) =>
  rememberedByWord((practice: JobDocument['practice']) => wireList(chain, practice, rows)),
)
const judgedConnectionsOf = rememberedOfBoth(judgeConnections)
const surveyOf = remembered((data: FieldData) =>
  rememberedOfBoth((survey: LoopDocument['survey'], chain: ResolvedChain) =>
    rememberedByWord((kind: LoopDocument['kind']): SurveyOutcome => surveyResult({ kind, survey }, chain, data)),
  ),
)

/** The loop with its plans as its controllers can keep them; the very document where they keep everything. */
const keptOf = rememberedOfBoth((loop: LoopDocument, chain: ResolvedChain): LoopDocument => {
  const { planned } = loop.settings
  const kept = Object.fromEntries(
    Object.entries(planned).map(([id, plan]) => {
      const controller = chain.devices.find((device) => device.id === plan.output.device)?.facts.controller
      return [id, controller ? keptPlan(plan, controller) : plan]
    }),
  )
  const same = Object.entries(planned).every(([id, plan]) => kept[id] === plan)
  return same ? loop : { ...loop, settings: { ...loop.settings, planned: kept } }
})

/** What the job's other loops draw, as lists that live as long as their chains do. */
const drawsOfOthers = (job: JobDocument, loop: LoopDocument, loops: readonly LoopDocument[]) =>
  loops.flatMap((other) => (other.id === loop.id ? [] : supplyDraws(resolveChain(job, other.chain))))

const sameDraws = (one: readonly SharedDraw[], other: readonly SharedDraw[]) =>
  one.length === other.length &&
  one.every((draw, i) => {
    const { supply, device, tag, va } = other[i]!
    return draw.supply === supply && draw.device === device && draw.tag === tag && draw.va === va
  })

// A loop is looked at once for each version of its documents: by whoever draws it, and in whichever order.
const contextsOf = rememberedOfBoth((_job: JobDocument, _loop: LoopDocument) =>
  remembered((_data: FieldData) => new Map<string, LoopContext>()),
)

/**
 * Derives a loop's context from its documents and the field data. The same documents give the very same context, so that what is remembered of
 * it (its check, its progress) is worked out once.
 * @param loops the job's other loops, where what they draw from shared supplies is to count
 */
export function loopContext(
  job: JobDocument,
  loop: LoopDocument,
  data: FieldData,
  preferences: UnitPreferences = job,
  loops: readonly LoopDocument[] = [],
): LoopContext {
  const others = drawsOfOthers(job, loop, loops)
  const known = contextsOf(job, loop)(data)
  const { temperatureUnit, system } = preferences
  const key = `${temperatureUnit} ${system}`
  const before = known.get(key)
  if (before && sameDraws(before.others, others)) return before
  const context = derive(job, loop, data, preferences, others)
  known.set(key, context)
  return context
}

function derive(
  job: JobDocument,
  loop: LoopDocument,
  data: FieldData,
  { temperatureUnit, system }: UnitPreferences,
  others: readonly SharedDraw[],
): LoopContext {
  const chain = resolveChain(job, loop.chain)
  const words = wordsFor({ temperatureUnit, system, practice: job.practice })
  const wires = wiresOf(chain, loop.wiring.rows)(job.practice)
  const outcome = surveyOf(data)(loop.survey, chain)(loop.kind)
  return {
    job,
    loop: keptOf(loop, chain),
    data,
    words,
    chain,
    judgedConnections: judgedConnectionsOf(chain, words),
    rows: wires.rows,
    wires,
    survey: outcome.ok ? outcome.survey : undefined,
    others,
    missing: outcome.ok ? [] : outcome.missing,
  }
}
