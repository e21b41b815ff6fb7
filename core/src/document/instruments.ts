import { ordered } from '../schema/ordered'
import type { Instrument, JobDocument } from './documents'
import type { Quantity } from '../units/quantity'
import type { Words } from '../words/words'

/** A kind of instrument as the shelf holds it. */
export interface InstrumentType {
  readonly id: string
  readonly title: string
  readonly about: string
  readonly errs: NonNullable<Instrument['errs']>
  /** Usual time from one check to the next. */
  readonly months: number
}

/** What an instrument may err at a reading, in the unit of the quantity; nothing where it does not read that. */
export function mayErr(instrument: Pick<Instrument, 'errs'>, quantity: Quantity, value: number): number | undefined {
  const { fixed = 0, percent = 0 } = instrument.errs?.[quantity] ?? {}
  if (instrument.errs?.[quantity] === undefined) return undefined
  return fixed + (percent / 100) * Math.abs(value)
}

/** Whether an instrument's check had run out on a day: ISO days compare as text. */
export const outOfDate = ({ due }: Pick<Instrument, 'due'>, day: string): boolean => due !== undefined && due < day

/** The instruments that were taken out on a day, in order. */
export const kitOf = (job: Pick<JobDocument, 'instruments' | 'kit'>, day: string) =>
  ordered(job.instruments).filter(({ id }) => job.kit?.[day]?.[id])

/** The one of the day's instruments that reads a quantity. Differences of temperature are read as temperatures. */
export function instrumentFor(
  job: Pick<JobDocument, 'instruments' | 'kit'>,
  day: string,
  quantity: Quantity,
): (Instrument & { readonly id: string }) | undefined {
  return kitOf(job, day).find(({ errs }) => errs?.[quantity] !== undefined)
}

const readsOf: Partial<Record<Quantity, string>> = { percent: 'humidity', milliamps: 'milliamps', seconds: 'time' }

/** What an instrument reads and may err, in the units given: "temperature ± 0.10 K; voltage ± 0.01 V + 0.1 % of reading". */
export const errsWords = ({ errs = {} }: Pick<Instrument, 'errs'>, { say }: Pick<Words, 'say'>): string =>
  Object.entries(errs)
    .map(([id, { fixed = 0, percent = 0 }]) => {
      const quantity = id as Quantity
      const amount = fixed > 0 ? say(fixed, quantity === 'temperature' ? 'difference' : quantity, 2) : ''
      const share = percent > 0 ? `${percent} % of reading` : ''
      return `${readsOf[quantity] ?? quantity} ± ${[amount, share].filter(Boolean).join(' + ')}`
    })
    .join('; ')
