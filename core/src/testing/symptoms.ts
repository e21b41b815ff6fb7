import { readFileSync } from 'node:fs'
import type { Symptom } from '../commissioning/symptom'

/** The shipped symptoms, for tests: core itself is handed them. */
export const symptoms = JSON.parse(
  readFileSync(new URL('../../../shelf/data/symptoms.json', import.meta.url), 'utf8'),
) as readonly Symptom[]
