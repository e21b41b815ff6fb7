import { chainRules } from './chainRules'
import { guardRules } from './guardRules'
import { planRules } from './planRules'
import { probeRules } from './probeRules'
import type { Rule } from './rule'
import { siteRules } from './siteRules'
import { supplyRules } from './supplyRules'

const rules: readonly Rule[] = [...siteRules, ...chainRules, ...supplyRules, ...probeRules, ...guardRules, ...planRules]

/** Every rule over one loop. */
export const runRules: Rule = (context) => rules.flatMap((rule) => rule(context))
