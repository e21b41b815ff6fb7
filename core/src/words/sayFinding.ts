import type { Words } from './words'
import { airFindings } from './findings/airFindings'
import { chainFindings } from './findings/chainFindings'
import { controllerFindings } from './findings/controllerFindings'
import { factFindings } from './findings/factFindings'
import { planFindings } from './findings/planFindings'
import { probeFindings } from './findings/probeFindings'
import { protectionFindings } from './findings/protectionFindings'
import { safetyFindings } from './findings/safetyFindings'
import { settingFindings } from './findings/settingFindings'
import { siteFindings } from './findings/siteFindings'
import { stageFindings } from './findings/stageFindings'
import { supplyFindings } from './findings/supplyFindings'
import { waterFindings } from './findings/waterFindings'
import { wireFindings } from './findings/wireFindings'
import { localTexts } from './localTexts'
import type { Sentences } from './sentences'

/** Every finding's sentences from its figures, by code. Temperatures in °C, widths in K, times in s; the reader's units come from `Words`. */
export const findingWords = {
  ...siteFindings,
  ...factFindings,
  ...airFindings,
  ...safetyFindings,
  ...waterFindings,
  ...chainFindings,
  ...supplyFindings,
  ...probeFindings,
  ...protectionFindings,
  ...wireFindings,
  ...stageFindings,
  ...controllerFindings,
  ...settingFindings,
  ...planFindings,
}

/** Code of a finding. Codes are never used again for something else. */
export type FindingCode = keyof typeof findingWords

/** What a finding found, as figures: what its sentences are made of. */
export type FiguresOf<C extends FindingCode> =
  Parameters<(typeof findingWords)[C]> extends [infer F, ...unknown[]] ? F : object

/** The sentences of a finding in the reader's units. */
export function sayFinding<C extends FindingCode>(code: C, figures: FiguresOf<C>, words: Words): Sentences {
  return localTexts((findingWords[code] as (f: FiguresOf<C>, w: Words) => Sentences)(figures, words), words)
}
