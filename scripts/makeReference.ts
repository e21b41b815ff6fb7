/** Writes docs/calculations.md from the registry of calculations. */
import { writeFileSync } from 'node:fs'
import { referencePage } from '@nachtigal/core/calc/referencePage'

writeFileSync(new URL('../docs/calculations.md', import.meta.url), referencePage())
