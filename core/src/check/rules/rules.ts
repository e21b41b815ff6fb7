import { type FiguresOf, type FindingCode, sayFinding } from '../../words/sayFinding'
import type { LoopContext } from '../../loop/context'
import type { Finding } from '../finding'
import { airRules } from './airRules'
import { chainRules } from './chainRules'
import { controllerRules } from './controllerRules'
import { driveRules } from './driveRules'
import { protectionRules } from './protectionRules'
import { factRules } from './factRules'
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
  ...factRules,
  ...airRules,
  ...waterRules,
  ...chainRules,
  ...supplyRules,
  ...probeRules,
  ...protectionRules,
  ...wireRules,
  ...stageRules,
  ...controllerRules,
  ...driveRules,
  ...settingRules,
  ...planRules,
]

/** Every rule over one loop, each finding told in the units of the job. */
export const runRules = (context: LoopContext): Finding[] =>
  rules
    .flatMap((rule) => rule(context))
    .map((found) => ({ ...found, ...sayFinding(found.code, found.figures as FiguresOf<FindingCode>, context.words) }))
