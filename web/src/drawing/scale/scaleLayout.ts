import { trueMinus } from '@nachtigal/core/units/quantity'
import type { Rung, ScaleValues } from '../scaleValues'

/** Room beside the columns of a phone for the chosen one's figures. */
const VALUE_ROOM = 74
/** Room beside the rule for a single stage and its figures where the drawing is narrow. */
const SINGLE_ROOM = 172
/** Where the scale begins, px from above. */
export const TOP = 34
/** Width of the rule. */
export const RULE = 52

interface Given {
  readonly values: ScaleValues
  /** Lowest and highest temperature of the scale. */
  readonly span: readonly [number, number]
  readonly width: number
  readonly height: number
  readonly compact: boolean
  /** Display step of the controller. */
  readonly step: number
}

/** Below the first of several cooling stages stands the chip of the setpoint, and under it what it moves. */
const CHIP_ROOM = 72

/** Where the scale ends, px from above: so far from below that the chip has its room. */
function bottomOf({ values: { rungs }, span: [low, high], height, compact }: Omit<Given, 'width' | 'step'>): number {
  const usual = height - 16
  const stage = rungs.find((rung) => rung.stage === 1 && rung.action === 'cooling')
  if (compact || rungs.length < 2 || !stage) return usual
  const share = (Math.min(stage.set, stage.on, stage.off) - low) / (high - low)
  return share >= 1
    ? usual
    : Math.min(usual, (height - CHIP_ROOM - Math.max(0, share) * TOP) / (1 - Math.max(0, share)))
}

/** Where everything on the switching scale stands, px: the rule, a column for each stage, and what stands opposite. */
export type ScaleLayout = ReturnType<typeof scaleLayout>

/**
 * Lays the switching scale out. Heating stands left of the rule, cooling right, a column for each stage; limits, alarms and
 * cut-outs stand on the free side, or outside the left columns where there are both.
 */
export function scaleLayout({ values, span, width, height, compact, step }: Given) {
  const { rungs, lowest, highest, alarm, alarmLow, cutOuts = [] } = values
  const [low, high] = span
  const bottom = bottomOf({ values, span, height, compact })
  const perUnit = (bottom - TOP) / (high - low)
  const y = (value: number) => bottom - (value - low) * perUnit
  const clampedY = (value: number) => Math.min(bottom, Math.max(TOP, y(value)))
  const heats = rungs.filter(({ action }) => action === 'heating')
  const cools = rungs.filter(({ action }) => action === 'cooling')
  const both = heats.length > 0 && cools.length > 0
  const single = rungs.length === 1
  const most = Math.max(heats.length, cools.length)
  const [first] = rungs
  const set = first?.set ?? 0
  const setY = clampedY(set)
  // Free side of the rule: for limits and alarms, right of heating, left of cooling.
  const freeLeft = cools.length > 0
  const decimals = step < 1 ? 1 : 0
  const say = (value: number) => trueMinus(value.toFixed(decimals))
  // On a phone the gutter is as wide as the longest figure in it, with its mark.
  const told = [lowest, highest, alarm, alarmLow, ...cutOuts.map(({ at }) => at)].filter((value) => value !== undefined)
  const gutter = compact
    ? Math.max(66, (cutOuts.length > 0 ? 58 : 38) + Math.max(0, ...told.map((value) => say(value).length)) * 8)
    : 264
  const left = both
    ? width / 2 - RULE / 2 + (compact ? 20 : 30)
    : single
      ? compact
        ? freeLeft
          ? Math.max(gutter, Math.min(width / 2 - RULE / 2 + 10, width - RULE - SINGLE_ROOM))
          : Math.min(width - RULE - gutter, Math.max(width / 2 - RULE / 2 - 10, SINGLE_ROOM))
        : width / 2 - RULE / 2 + (freeLeft ? -20 : 20)
      : freeLeft
        ? gutter
        : width - RULE - gutter
  const right = left + RULE
  const free = freeLeft ? left : right
  const away = (distance: number) => (freeLeft ? free - distance : free + distance)
  // Where both are there, limits, alarms and the pointer stand outside the left columns.
  const margin = compact ? 58 : 104
  const awayAnchor = freeLeft ? ('end' as const) : ('start' as const)
  const columnRoom = both ? left - margin - 40 : compact ? width - gutter - RULE - 30 - VALUE_ROOM : 400
  const pitch = single ? 0 : Math.min(compact ? 60 : 96, columnRoom / most)
  const start = single ? (compact ? 62 : 96) : compact ? 30 : 56
  const columnX = (action: Rung['action'], stage: number) =>
    action === 'heating' ? left - start - (stage - 1) * pitch : right + start + (stage - 1) * pitch
  const beside = (distance: number) => (both ? margin - distance : away(distance))
  return {
    width,
    height,
    bottom,
    low,
    high,
    perUnit,
    y,
    clampedY,
    heats,
    cools,
    both,
    single,
    first,
    set,
    setY,
    freeLeft,
    say,
    left,
    right,
    free,
    away,
    margin,
    awayAnchor,
    pitch,
    columnX,
    beside,
    compact,
    step,
  }
}
