import type { ResolvedDevice } from '../document/chain'

/**
 * Devices that insulation voltage would break, or that would spoil the reading: whatever has a call input, a supply of its own, a board, a
 * burner control, surge protection or a semiconductor. A mechanical thermostat and a plain contactor stay in.
 */
export const electronicsOf = (devices: readonly ResolvedDevice[]): readonly ResolvedDevice[] =>
  devices.filter(({ facts }) => {
    const ports = Object.values(facts.ports)
    return (
      facts.electronics === true ||
      facts.category === 'drive' ||
      facts.category === 'transmitter' ||
      facts.controller?.menu !== undefined ||
      facts.load?.fuel !== undefined ||
      facts.load?.alarm !== undefined ||
      facts.load?.inverter === true ||
      facts.permissive?.senses === 'co' ||
      ports.some(
        (port) =>
          port.kind === 'contact-in' ||
          port.kind === 'supply-in' ||
          port.kind === 'signal-in' ||
          (port.kind === 'probe-in' && facts.controller !== undefined) ||
          (port.kind === 'supply-out' && port.current === 'dc' && port.batteryAh === undefined) ||
          (port.kind === 'contact' && port.solidState !== undefined) ||
          (port.kind === 'load' && port.load.kind === 'capacitive'),
      )
    )
  })
