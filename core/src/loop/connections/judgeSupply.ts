import type { ResolvedConnection } from '../../document/chain'
import { voltsAcross } from '../../wiring/voltsAcross'
import { supplyVariant } from '../../wiring/supplyVariant'
import { type Judged } from './judged'

/** A supply at what it feeds: voltage, current and kind. */
export function judgeSupply({ fromPort, toPort, fromDevice, toDevice }: ResolvedConnection): Judged {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') throw new RangeError('not a supply connection')
  const kind = fromPort.current.toUpperCase()
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant)
    return {
      verdict: 'does-not-fit',
      code: 'supply.window',
      worked: [],
      figures: {
        volts: voltsAcross(fromPort),
        current: kind,
        name: toDevice.name,
        windows: Object.values(toPort.variants).map(
          (v) => `${v.lowV} to ${v.highV} V ${v.current.toUpperCase().replace('-', ' or ')}`,
        ),
        tag: fromDevice.tag,
      },
    }
  const labels = [variant.line, variant.neutral].map((t) => toDevice.facts.terminals[t]?.label ?? t)
  return {
    verdict: 'fits',
    code: 'supply.fits',
    worked: [],
    figures: { volts: voltsAcross(fromPort), current: kind, lowV: variant.lowV, highV: variant.highV, labels },
  }
}
