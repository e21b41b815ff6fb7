import { chainRules } from './chainRules'
import { guardRules } from './guardRules'
import { planRules } from './planRules'
import { probeRules } from './probeRules'
import type { Rule } from './rule'
import { siteRules } from './siteRules'
import { supplyRules } from './supplyRules'
import { wireRules } from './wireRules'

const rules: readonly Rule[] = [
  ...siteRules,
  ...chainRules,
  ...supplyRules,
  ...probeRules,
  ...guardRules,
  ...wireRules,
  ...planRules,
]

/** Every rule over one loop. */
export const runRules: Rule = (context) => rules.flatMap((rule) => rule(context))
