import type { DeviceProfile } from '../device/deviceProfile'
import type { LoopDocument } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import type { RecordField } from '../schema/field'
import type { Value } from '../schema/value'
import type { Edited } from '../wiring/edited'

/** Who acts and when, and what is handed in: core has no clock and no chance. */
export interface Hand {
  readonly by: string
  /** The moment, as ISO text. */
  readonly at: string
  readonly newId: () => string
  readonly data: FieldData
  /** The devices that can be chosen. */
  readonly shelf?: readonly DeviceProfile[]
  /** The job’s other loops, where what they share counts. */
  readonly loops?: readonly LoopDocument[]
}

/** What a person does to a loop or its job: from the documents and an input to the documents after it. */
interface Action<R extends RecordField = RecordField> {
  /** Kept with the command that it makes. */
  readonly id: string
  /** What was done, as the log says it. */
  readonly did: string
  readonly input: R
  /** @throws Refused naming the field of the input that does not fit */
  readonly run: (edited: Edited, input: Value<R>, hand: Hand) => Edited
}

/** An action whose input is not known here: it is held against its fields before. */
export interface AnyAction {
  readonly id: string
  readonly did: string
  readonly input: RecordField
  readonly run: (edited: Edited, input: unknown, hand: Hand) => Edited
}

/** An action with the type of its input taken from its fields. */
export const defineAction = <const R extends RecordField>(action: Action<R>): Action<R> => action

/** The loop with a part of it changed. */
export const withLoop = ({ job, loop }: Edited, part: Partial<Edited['loop']>): Edited => ({
  job,
  loop: { ...loop, ...part },
})

/** The job with a part of it changed. */
export const withJob = ({ job, loop }: Edited, part: Partial<Edited['job']>): Edited => ({
  job: { ...job, ...part },
  loop,
})

/** A map without some of its entries. */
export const without = <T>(
  map: Readonly<Record<string, T>> | undefined,
  ...ids: readonly string[]
): Record<string, T> => Object.fromEntries(Object.entries(map ?? {}).filter(([id]) => !ids.includes(id)))

/** A name as it is written down; whoever gave none is unnamed. */
export const named = ({ by }: Pick<Hand, 'by'>): string => by.trim() || 'unnamed'
