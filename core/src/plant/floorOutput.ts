import { Refused } from '../units/refused'
import { FLOOR_BATH_OVER_ROOM_K, FLOOR_EDGE_C, FLOOR_OCCUPIED_C, FLOOR_TIMBER_C } from '../units/peopleLimits'

export const floorZones = ['occupied', 'edge', 'bath', 'timber'] as const
export type FloorZone = (typeof floorZones)[number]

/**
 * Heat given off by a warm floor, W/m² = 8.92 (surface − room)^1.1; 0 when the surface is no warmer. Source: EN 1264-2.
 * @example floorOutput(29, 20) // 100
 */
export function floorOutput(surfaceC: number, roomC: number): number {
  return surfaceC > roomC ? 8.92 * (surfaceC - roomC) ** 1.1 : 0
}

/**
 * Surface temperature that gives this heat: the same formula turned round. @throws RangeError when wPerM2 is under 0
 * Source: EN 1264-2, q = 8.92 (ΔT)^1.1.
 * @example floorSurface(100, 20) // 29.0
 */
export function floorSurface(wPerM2: number, roomC: number): number {
  if (!(wPerM2 >= 0)) throw new Refused('wPerM2', { must: 'or more', value: wPerM2, than: 0 })
  return roomC + (wPerM2 / 8.92) ** (1 / 1.1)
}

/**
 * Highest surface temperature: 29 °C occupied, 35 edge, room + 9 bath (EN 1264), 27 under timber (covering makers' practice).
 * Source: EN 1264-2 (zones), makers of coverings (timber).
 * @example floorLimit('occupied', 20) // 29
 */
export function floorLimit(zone: FloorZone, roomC: number): number {
  return {
    occupied: FLOOR_OCCUPIED_C,
    edge: FLOOR_EDGE_C,
    bath: roomC + FLOOR_BATH_OVER_ROOM_K,
    timber: FLOOR_TIMBER_C,
  }[zone]
}
