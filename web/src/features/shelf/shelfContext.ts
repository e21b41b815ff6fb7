import { createContext, useContext } from 'react'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Words } from '@nachtigal/core/words/words'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'

/** What every page of the shelf needs: the devices, the units, and where its addresses begin. */
export interface ShelfInHand {
  readonly profiles: readonly DeviceProfile[]
  readonly own: ReadonlySet<string>
  /** Devices of one's own that cannot be read, and why. */
  readonly broken: readonly { readonly id: string; readonly says: string }[]
  readonly calcData: CalcData
  readonly words: Words
  readonly preferences: UnitPreferences
  readonly base: string
}

export const ShelfContext = createContext<ShelfInHand | null>(null)

/** The shelf in hand. @throws Error outside its place */
export function useShelf(): ShelfInHand {
  const shelf = useContext(ShelfContext)
  if (!shelf) throw new Error('no shelf above this screen')
  return shelf
}
