import { type ResolvedChain, resolveChain } from '../document/chain'
import type { JobDocument, LoopDocument } from '../document/documents'
import { remembered, rememberedByWord, rememberedOfBoth } from '../memory/remembered'
import type { FieldData } from '../plant/fieldValue'
import { type LoopSurvey, type SurveyOutcome, surveyResult } from '../survey/surveyResult'
import type { UnitPreferences } from '../units/quantity'
import { type Words, wordsFor } from '../words/words'
import { wireList } from '../wiring/wireList'
import type { WireList, WireRow } from '../wiring/wireRow'
import { type SharedDraw, supplyDraws } from '../wiring/supplyDraws'
import { judgeConnections, type ConnectionVerdict } from './judgeConnection'

/** Everything derived from a loop that rules, screens and sheets look at; made once per change. */
export interface LoopContext {
  readonly job: JobDocument
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

/**
 * Derives a loop's context from its documents and the field data.
 * @param loops the job's other loops, where what they draw from shared supplies is to count
 */
export function loopContext(
  job: JobDocument,
  loop: LoopDocument,
  data: FieldData,
  preferences: UnitPreferences = job,
  loops: readonly LoopDocument[] = [],
): LoopContext {
  const chain = resolveChain(job, loop.chain)
  const words = wordsFor({
    temperatureUnit: preferences.temperatureUnit,
    system: preferences.system,
    practice: job.practice,
  })
  const wires = wiresOf(chain, loop.wiring.rows)(job.practice)
  const outcome = surveyOf(data)(loop.survey, chain)(loop.kind)
  return {
    job,
    loop,
    data,
    words,
    chain,
    judgedConnections: judgedConnectionsOf(chain, words),
    rows: wires.rows,
    wires,
    survey: outcome.ok ? outcome.survey : undefined,
    others: loops.flatMap((other) => (other.id === loop.id ? [] : supplyDraws(resolveChain(job, other.chain)))),
    missing: outcome.ok ? [] : outcome.missing,
  }
}
