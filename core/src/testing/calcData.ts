import { readFileSync } from 'node:fs'
import type { CalcData } from '../calc/calculation'
import type { FluidTable } from '../plant/brine'
import type { ProbePart } from '../probes/probe'
import { fieldData } from './fieldData'

const json = (file: string) =>
  JSON.parse(readFileSync(new URL(`../../../shelf/data/${file}.json`, import.meta.url), 'utf8'))

/** The shipped curves and defaults, for tests. */
export const calcData: CalcData = {
  fields: fieldData,
  parts: json('probeParts') as ProbePart[],
  fluids: json('fluids') as FluidTable[],
}
