/** Writes docs/calculations.md from the registry of calculations, docs/practices.md from the terms, docs/safety.md and docs/findings.md from the rules, their cases and the demo job, and docs/job-file.schema.json from the fields. */
import { writeFileSync } from 'node:fs'
import { jobFileJsonSchemaText } from '@nachtigal/contract/jobFileJsonSchema'
import { referencePage } from '@nachtigal/core/calc/referencePage'
import { findingsPage } from '@nachtigal/core/testing/findingsPage'
import { practicesPage } from '@nachtigal/core/testing/practicesPage'
import { safetyPage } from '@nachtigal/core/testing/safetyPage'

writeFileSync(new URL('../docs/calculations.md', import.meta.url), referencePage())
writeFileSync(new URL('../docs/findings.md', import.meta.url), findingsPage())
writeFileSync(new URL('../docs/practices.md', import.meta.url), practicesPage())
writeFileSync(new URL('../docs/safety.md', import.meta.url), safetyPage())
writeFileSync(new URL('../docs/job-file.schema.json', import.meta.url), jobFileJsonSchemaText())
