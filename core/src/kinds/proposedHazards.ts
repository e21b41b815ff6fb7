import type { Answer } from './answers'
import { hazards } from './hazards'
import { factsOfKind, type LoopKind } from './kinds'

/** Every hazard that a kind of loop can have. */
export const hazardsOf = (kind: LoopKind) => {
  const own = factsOfKind(kind).hazards
  return hazards.filter(({ id }) => own.includes(id))
}

/** Hazards that the kind and its answers speak for. Where what speaks for one is not answered yet, it is not proposed. */
export const proposedHazards = (kind: LoopKind, answers: Readonly<Record<string, Answer>>) =>
  hazardsOf(kind).filter(
    ({ when, unasked }) =>
      !unasked &&
      (when === undefined || Object.entries(when).some(([question, is]) => is.includes(String(answers[question])))),
  )
