/** What the water that comes back depends on beside the supply. */
interface ReturnOf {
  readonly roomC: number
  /** Outdoor temperature at which the drop is the full one. */
  readonly designOutdoorC: number
  /** Supply less return on the design day, K. */
  readonly dropK: number
}

/**
 * Share of the design load at an outdoor temperature, never under 0. Formula: (room − outdoor)/(room − design).
 * @example loadShare(5, { roomC: 20, designOutdoorC: -10 }) // 0.5
 */
export const loadShare = (
  outdoorC: number,
  { roomC, designOutdoorC }: Pick<ReturnOf, 'roomC' | 'designOutdoorC'>,
): number => Math.max(0, (roomC - outdoorC) / Math.max(1, roomC - designOutdoorC))

/**
 * Water that comes back at constant flow, °C: supply less the drop, which goes with the load; never cooler than the room. The one place
 * where a return along a reset line is worked out.
 * Formula: R = max(room, S − drop × load share)
 * @example returnAt(45, 5, { roomC: 20, designOutdoorC: -10, dropK: 10 }) // 40
 */
export const returnAt = (supplyC: number, outdoorC: number, at: ReturnOf): number =>
  Math.max(at.roomC, supplyC - at.dropK * loadShare(outdoorC, at))
