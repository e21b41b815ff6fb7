import { airRules } from './airRules'
import { chainRules } from './chainRules'
import { controllerRules } from './controllerRules'
import { protectionRules } from './protectionRules'
import { planRules } from './planRules'
import { probeRules } from './probeRules'
import type { Rule } from './rule'
import { settingRules } from './settingRules'
import { siteRules } from './siteRules'
import { stageRules } from './stageRules'
import { supplyRules } from './supplyRules'
import { waterRules } from './waterRules'
import { wireRules } from './wireRules'

const rules: readonly Rule[] = [
  ...siteRules,
  ...airRules,
  ...waterRules,
  ...chainRules,
  ...supplyRules,
  ...probeRules,
  ...protectionRules,
  ...wireRules,
  ...stageRules,
  ...controllerRules,
  ...settingRules,
  ...planRules,
]

/** Every rule over one loop. */
export const runRules: Rule = (context) => rules.flatMap((rule) => rule(context))
