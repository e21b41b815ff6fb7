import { useMemo } from 'react'
import { lackingDevices } from '@nachtigal/core/check/lackingDevices'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { useLoop } from '../../loop/loopContext'
import { type Slot, slots } from './slots'
import { useDevicesOf } from './useDevicesOf'

export interface FilledSlot extends Slot {
  readonly devices: readonly ResolvedDevice[]
  /** A rule or the remedy of a connection asks for a device of this kind. */
  readonly lacking: boolean
}

/** The kinds of link with what is in them, and the first one that the loop still lacks; none once nothing is. */
export function useSlots(): { readonly slots: readonly FilledSlot[]; readonly first: FilledSlot | undefined } {
  const { open, words } = useLoop()
  const devicesOf = useDevicesOf()
  const lacked = useMemo(() => lackingDevices(open), [open])
  const filled = slots.map((slot) => ({
    ...slot,
    title: words.local(slot.title),
    devices: devicesOf(slot.category),
    lacking: lacked.includes(slot.category),
  }))
  return { slots: filled, first: filled.find(({ lacking }) => lacking) }
}
