import { expose } from 'comlink'
import { triedAdvice, type TriedAdvice } from '@nachtigal/core/check/triedAdvice'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { RunWeather } from '@nachtigal/core/simulate/loop/runWeather'
import type { Edited } from '@nachtigal/core/wiring/edited'

const worker = {
  /** Tries on a copy what would help a loop under a day, off the page's thread. */
  advise: (edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined =>
    triedAdvice(edited, data, weather),
}

export type AdviseWorker = typeof worker

expose(worker)
