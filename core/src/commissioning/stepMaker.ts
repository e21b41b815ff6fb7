import type { LoopContext } from '../loop/context'
import { currentReadings } from '../document/proofReadings'
import type { DeadTestVerdict } from '../wiring/deadTest'
import { localTexts } from '../words/localTexts'
import { sayStep, type StepFact } from '../words/stepWords'
import type { Words } from '../words/words'
import type { SafetyBlockId, SafetyStep, StepDraft } from './safetyStep'

/** Judges a reading: a number in SI, or null where the meter was over its range. */
export type Judge = (reading: number | null) => DeadTestVerdict

/** Caution of whatever is measured on live conductors. */
export const LICENSED =
  'Licensed person. Live conductors: guarded tips, one hand, dry floor; a lifted end is live, nobody else near it.'

/** What was found at a step, with its sentences. */
export const toldOf = (found: StepFact, words: Words) => ({ found, ...localTexts(sayStep(found), words) })

/** Makes the steps of one block, each with what the loop's record holds of it. */
export function stepMaker(block: SafetyBlockId, { loop, words }: Pick<LoopContext, 'loop' | 'words'>) {
  // A reading that was taken back does not take back what it showed: only a newer one stands for it.
  const readings = currentReadings(loop, block, ({ state }) => state !== 'none')
  const done = loop.wiring.done ?? {}
  const inLocal = <D extends object>(draft: D): D => localTexts(draft, words, ['id', 'hunt'])
  return {
    /** A step that is answered with yes or no. @param wrong what a no means */
    answered(
      draft: Omit<StepDraft, 'ask'> & { readonly yes?: string; readonly no?: string },
      wrong: StepFact,
    ): SafetyStep {
      const { yes = 'Done', no = 'Cannot be done', ...rest } = inLocal(draft)
      const answer = done[`${block}/${draft.id}`]
      return {
        must: true,
        ...rest,
        block,
        ask: { kind: 'answer', yes, no },
        ...(answer ? { answer } : {}),
        verdict: answer === undefined ? 'waiting' : answer.answer === 'yes' ? 'good' : 'stop',
        forbids: answer?.answer === 'no' && rest.must !== false,
        ...(answer?.answer === 'no' ? toldOf(wrong, words) : {}),
      }
    },
    /** A step with a reading. */
    read(draft: StepDraft, judge: Judge): SafetyStep {
      const reading = readings.get(draft.id)
      const value = reading?.state === 'over-range' ? null : reading?.state === 'value' ? reading.value : undefined
      const base = { must: true, ...inLocal(draft), block, ...(reading ? { reading } : {}) }
      if (value === undefined) return { ...base, verdict: 'waiting', forbids: false }
      const { verdict, code, figures, forbidsEnergising, holds } = judge(value)
      return {
        ...base,
        verdict,
        ...toldOf({ code, figures } as StepFact, words),
        forbids: forbidsEnergising,
        ...(holds ? { holds } : {}),
      }
    },
    valueOf: (step: string) => {
      const reading = readings.get(step)
      return reading?.state === 'value' ? reading.value : undefined
    },
    isYes: (step: string) => done[`${block}/${step}`]?.answer === 'yes',
  }
}

export type StepMaker = ReturnType<typeof stepMaker>
