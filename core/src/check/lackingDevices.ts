import { type Category, categories } from '../choices/deviceChoices'
import type { FindingCode } from '../words/sayFinding'
import type { Found } from './finding'

/** Findings that say that a whole device is not there. */
const asksFor: Partial<Record<FindingCode, Category>> = {
  C001_NO_PROBE: 'probe',
  C002_NO_CONTROLLER: 'controller',
  C003_NO_LOAD: 'load',
  C004_NO_SUPPLY: 'supply',
  C013_NO_LIMITER: 'limiter',
}

/**
 * Kinds of device that a loop still lacks by its findings: those that a rule misses, and those that the remedy of a rule or of a
 * connection puts between two others. In the order in which a chain is chosen, each once.
 */
export function lackingDevices(findings: readonly Pick<Found, 'code' | 'fix'>[]): readonly Category[] {
  const lacked = new Set<Category>()
  for (const { code, fix } of findings) {
    const asked = asksFor[code]
    if (asked) lacked.add(asked)
    if (fix?.do === 'insert') lacked.add(fix.wants.category)
  }
  return categories.filter((category) => lacked.has(category))
}
