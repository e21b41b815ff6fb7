export const mountings = [
  'single-free',
  'single-wall',
  'end-free',
  'end-wall',
  'middle-free',
  'middle-wall',
  'middle-wall-covered',
] as const
export type Mounting = (typeof mountings)[number]

/**
 * Effective cooling surface of an enclosure, m²: each face by how freely air passes it.
 * Formula: Σ b A with b = 1.4 for a free roof, 0.7 for a covered one, 0.9 for a free side, 0.5 for a covered one, 0 for the floor.
 * Source: IEC TR 60890.
 * @example enclosureAreaM2(2, 0.8, 0.6, 'single-free') // 5.712
 */
export function enclosureAreaM2(heightM: number, widthM: number, depthM: number, mounting: Mounting): number {
  const [h, w, d] = [heightM, widthM, depthM]
  switch (mounting) {
    case 'single-free':
      return 1.8 * h * (w + d) + 1.4 * w * d
    case 'single-wall':
      return 1.4 * w * (h + d) + 1.8 * d * h
    case 'end-free':
      return 1.4 * d * (h + w) + 1.8 * w * h
    case 'end-wall':
      return 1.4 * h * (w + d) + 1.4 * w * d
    case 'middle-free':
      return 1.8 * w * h + 1.4 * w * d + d * h
    case 'middle-wall':
      return 1.4 * w * (h + d) + d * h
    case 'middle-wall-covered':
      return 1.4 * w * h + 0.7 * w * d + d * h
  }
}

export const STEEL_W_PER_M2K = 5.5

export interface EnclosureInput {
  readonly dissipationW: number
  readonly areaM2: number
  readonly heatTransferWPerM2K?: number | undefined
  readonly insideMaxC: number
  readonly outsideC: number
  readonly insideMinC?: number | undefined
}

interface EnclosureHeat {
  /** Heat that a cooler has to take out, never under 0. */
  readonly removeW: number
  readonly riseK: number
  readonly uncooledC: number
  /** Heat that holds the lowest inside temperature while everything runs, and while it stands still. */
  readonly heatW?: number
  readonly heatStandstillW?: number
}

/**
 * What an enclosure gives off by itself and what is left for a cooler or a heater.
 * Formula: walls k A (inside − outside); remove = P − k A (inside max − outside); rise = P/(k A); heat = k A (inside min − outside) − P.
 * Source: IEC TR 60890 area with a heat transfer of 5.5 W/m²K for painted steel (practice).
 * @example enclosureHeat({ dissipationW: 400, areaM2: 4, insideMaxC: 35, outsideC: 30 }).removeW // 290
 */
export function enclosureHeat(input: EnclosureInput): EnclosureHeat {
  const { dissipationW, areaM2, heatTransferWPerM2K = STEEL_W_PER_M2K, insideMaxC, outsideC, insideMinC } = input
  const wPerK = heatTransferWPerM2K * areaM2
  const riseK = dissipationW / wPerK
  const standstill = insideMinC === undefined ? 0 : Math.max(0, wPerK * (insideMinC - outsideC))
  return {
    removeW: Math.max(0, dissipationW - wPerK * (insideMaxC - outsideC)),
    riseK,
    uncooledC: outsideC + riseK,
    ...(insideMinC === undefined ? {} : { heatW: Math.max(0, standstill - dissipationW), heatStandstillW: standstill }),
  }
}
