import type { LoopSurvey } from '../../survey/surveyResult'

interface SavingRange {
  readonly savedKwh: number
  readonly percent: number
  readonly lowKwh: number
  readonly highKwh: number
}

/**
 * What one way saves over another, and the range that the estimates leave: energy goes with the loss, so both sides move with it, from its low to its
 * high. An answered loss leaves no range.
 * @throws RangeError unless the other way takes energy
 */
export function savingRange(energyKwh: number, otherKwh: number, survey: Pick<LoopSurvey, 'figures'>): SavingRange {
  if (!(otherKwh > 0)) throw new RangeError(`otherKwh ${otherKwh} must be over 0`)
  const savedKwh = otherKwh - energyKwh
  const loss = survey.figures['loss']
  const share = (end: number | undefined) =>
    loss && loss.source === 'estimate' && end !== undefined ? end / loss.value : 1
  const ends = [savedKwh * share(loss?.low), savedKwh * share(loss?.high)]
  return {
    savedKwh,
    percent: (100 * savedKwh) / otherKwh,
    lowKwh: Math.min(...ends.map(Math.abs)) * Math.sign(savedKwh || 1),
    highKwh: Math.max(...ends.map(Math.abs)) * Math.sign(savedKwh || 1),
  }
}
