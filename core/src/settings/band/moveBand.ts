import { bandEnds, type Anchor } from './law/proportional'
import type { BandBehaviour } from '../behaviour'

type MovedBandPart = 'set' | 'zero' | 'full' | 'minimum' | 'maximum'

/**
 * A band after one part of it was moved: an end stops one step before the other and takes the setpoint along as its anchor says; least and
 * most do not cross.
 * @param to temperature in °C, or an output in percent
 * @param stepK narrowest band that a drag can make
 */
export function moveBand(band: BandBehaviour, part: MovedBandPart, to: number, stepK: number): BandBehaviour {
  const towards = band.action === 'cooling' ? 1 : -1
  const { zeroC, fullC } = bandEnds(band)
  const between = (zero: number, full: number): BandBehaviour => {
    const bandK = Math.max(stepK, towards * (full - zero))
    return { ...band, bandK, setpointC: band.anchor === 'centred' ? zero + (towards * bandK) / 2 : zero }
  }
  const before = (limit: number, way: 1 | -1) => (way > 0 ? Math.min(to, limit - stepK) : Math.max(to, limit + stepK))
  switch (part) {
    case 'set':
      return { ...band, setpointC: to }
    case 'zero':
      return between(before(fullC, towards), fullC)
    case 'full':
      return between(zeroC, before(zeroC, towards > 0 ? -1 : 1))
    case 'minimum':
      return { ...band, minimumPercent: Math.min(Math.round(to), band.maximumPercent) }
    case 'maximum':
      return { ...band, maximumPercent: Math.max(Math.round(to), band.minimumPercent) }
  }
}

/** The same band, its set said from another point of it. */
export function anchored(band: BandBehaviour, anchor: Anchor): BandBehaviour {
  const { zeroC, fullC } = bandEnds(band)
  return { ...band, anchor, setpointC: anchor === 'centred' ? (zeroC + fullC) / 2 : zeroC }
}
