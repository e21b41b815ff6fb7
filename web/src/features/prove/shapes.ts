import type { Outcome, ProofTest, Verdict } from '@nachtigal/core/commissioning/proofTest'
import type { ShapeKind } from '../../design/Shape'

/** Shape of a step by its verdict. */
export const stepShape: Readonly<Record<Verdict, ShapeKind>> = {
  waiting: 'waiting',
  fits: 'fits',
  look: 'look',
  'cannot-tell': 'note',
}

/** Shape of a test by what came of it. */
export const testShape: Readonly<Record<Outcome['verdict'], ShapeKind>> = {
  waiting: 'waiting',
  good: 'fits',
  look: 'look',
  stop: 'stop',
  'cannot-tell': 'note',
}

/** A test with its last word, in two or three words. */
export function standing({ result, skipped, spare, steps }: ProofTest): string {
  const read = steps.filter(({ verdict }) => verdict !== 'waiting').length
  if (result.verdict !== 'waiting') return result.head
  if (skipped) return 'left out'
  if (read > 0) return `${read} of ${steps.length} read`
  return spare ? 'if wanted' : 'not begun'
}
