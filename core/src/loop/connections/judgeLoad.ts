import type { ResolvedConnection } from '../../document/chain'
import type { ElectricLoad } from '../../device/deviceProfile'
import { contactLoad } from '../../wiring/contactLoad'
import { type Judged } from './judged'

/** A load that a signal or a solid-state output drives. */
export function judgeDriven({ fromPort, fromDevice, toDevice }: ResolvedConnection, load: ElectricLoad): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const { loadA } = contactLoad([], load)
  return loadA > fromPort.protectionA
    ? {
        verdict: 'does-not-fit',
        code: 'drive.too-small',
        worked: [],
        figures: { loadA, protectionA: fromPort.protectionA, tag: toDevice.tag, name: fromDevice.name },
      }
    : {
        verdict: 'fits',
        code: 'drive.fits',
        worked: [],
        figures: { loadA, protectionA: fromPort.protectionA },
      }
}

/** A load on a line of the supply. */
export function judgeLine({ fromPort, fromDevice }: ResolvedConnection, load: ElectricLoad): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const apart = Math.abs(fromPort.volts - load.volts) / load.volts
  if (apart > 0.1 || (fromPort.current === 'dc') !== (load.kind === 'dc'))
    return {
      verdict: 'does-not-fit',
      code: 'line.other-voltage',
      worked: [],
      figures: {
        volts: fromPort.volts,
        tag: fromDevice.tag,
        current: fromPort.current.toUpperCase(),
        loadVolts: load.volts,
        kind: load.kind,
      },
    }
  const { loadA } = contactLoad([], load)
  if (loadA > fromPort.protectionA)
    return {
      verdict: 'does-not-fit',
      code: 'line.over-fuse',
      worked: [],
      figures: { volts: fromPort.volts, loadA, protectionA: fromPort.protectionA },
    }
  return {
    verdict: 'fits',
    code: 'line.fits',
    worked: [],
    figures: { volts: fromPort.volts, loadA, protectionA: fromPort.protectionA },
  }
}
