import type { TriedAdvice } from '@nachtigal/core/check/triedAdvice'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { RunWeather } from '@nachtigal/core/simulate/loop/runWeather'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { startAdviser } from './adviser'

interface Advising {
  readonly result: Promise<TriedAdvice | undefined>
  /** Ends the worker; the promise never settles then. */
  readonly cancel: () => void
}

/** Tries in a worker of its own what would help a loop under a day. */
export function advise(edited: Edited, data: FieldData, weather: RunWeather): Advising {
  const { remote, asked, end } = startAdviser()
  return { result: asked(remote.advise(edited, data, weather)).finally(end), cancel: end }
}
