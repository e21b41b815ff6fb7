import type { ResolvedConnection } from '../../document/chain'
import type { ElectricLoad } from '../../device/deviceProfile'
import { voltsAcross } from '../../wiring/voltsAcross'
import { electricDerate } from '../../wiring/electricLoad'
import { contactLoad } from '../../wiring/contactLoad'
import { type Judged } from './judged'

/** A motor on a drive: its volts, then its current. */
export function judgeDriven({ fromPort, fromDevice, toDevice }: ResolvedConnection, load: ElectricLoad): Judged {
  if (fromPort.kind !== 'supply-out') throw new RangeError('not a supply connection')
  const { loadA } = contactLoad([], load)
  if (Math.abs(fromPort.volts - load.volts) > 0.1 * load.volts)
    return {
      verdict: 'does-not-fit',
      code: 'drive.other-voltage',
      worked: [],
      figures: { volts: fromPort.volts, loadVolts: load.volts, tag: toDevice.tag, drive: fromDevice.tag },
    }
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
  const volts = voltsAcross(fromPort, load.phases)
  const apart = Math.abs(volts - load.volts) / load.volts
  const otherKind = (fromPort.current === 'dc') !== (load.kind === 'dc')
  if (apart > 0.1 || otherKind) {
    // An element is not harmed by fewer volts: what it would give is worth knowing before another circuit is brought.
    const derated = load.kind === 'resistive' && !otherKind && load.powerW > 0 && volts > 0
    return {
      verdict: 'does-not-fit',
      code: 'line.other-voltage',
      worked: derated
        ? [
            {
              ...{ calc: 'electric.derate', output: 'powerW' },
              input: { ratedW: load.powerW, ratedV: load.volts, volts },
            },
          ]
        : [],
      figures: {
        volts,
        tag: fromDevice.tag,
        current: fromPort.current.toUpperCase(),
        loadVolts: load.volts,
        kind: load.kind,
        ...(derated ? { derated: electricDerate(load.powerW, load.volts, volts) } : {}),
      },
    }
  }
  const { loadA } = contactLoad([], load)
  if (loadA > fromPort.protectionA)
    return {
      verdict: 'does-not-fit',
      code: 'line.over-fuse',
      worked: [],
      figures: { volts, loadA, protectionA: fromPort.protectionA },
    }
  return {
    verdict: 'fits',
    code: 'line.fits',
    worked: [],
    figures: { volts, loadA, protectionA: fromPort.protectionA },
  }
}
