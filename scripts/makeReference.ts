/** Writes docs/calculations.md from the registry of calculations, and docs/safety.md from the rules, their cases and the demo job. */
import { writeFileSync } from 'node:fs'
import { referencePage } from '@nachtigal/core/calc/referencePage'
import { safetyPage } from '@nachtigal/core/testing/safetyPage'

writeFileSync(new URL('../docs/calculations.md', import.meta.url), referencePage())
writeFileSync(new URL('../docs/safety.md', import.meta.url), safetyPage())
