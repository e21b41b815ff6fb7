import type { ChainDevice, PortRef } from '../document/chain'
import type { BandBehaviour, FanBehaviour, OnOffBehaviour } from '../settings/behaviour'
import type { ControllerPlan } from '../settings/controllerPlan'
import type { PermissiveFacts } from '../device/deviceProfile'
import type { Nameplate } from '../device/withNameplate'
import type { Category, Control, Effect } from '../choices/deviceChoices'
import type { LoopKind } from '../kinds/ids'

/** What a device for a remedy must be able to do, never which one it is. */
export interface WantedDevice {
  readonly category: Category
  /** A relay's coil. */
  readonly coil?: { readonly volts: number; readonly current: 'ac' | 'dc' }
  /** Carries this much of this kind of load at these volts. */
  readonly carries?: { readonly load: string; readonly volts: number; readonly amps: number }
  /** Breaks so many hots at once; one where it is left out. */
  readonly poles?: 1 | 2 | 3
  /** Contact clean enough for millivolts and milliamps. */
  readonly gold?: true
  /** Mains and extra-low voltage side by side on one body. */
  readonly separated?: true
  readonly senses?: PermissiveFacts['senses']
  readonly does?: Effect
  /** Ways of control that a controller must know. */
  readonly controls?: readonly Control[]
  /** Kind of loop that it must be made for, where it is made for some. */
  readonly suits?: LoopKind
  /** Electric power that it should come near to, W. */
  readonly powerW?: number
  /** Turns one signal into another. */
  readonly converts?: { readonly from: string; readonly to: string }
}

/** A remedy that the chain can carry out itself, as data. */
export type Fix =
  | { readonly do: 'insert'; readonly connection: string; readonly wants: WantedDevice }
  | { readonly do: 'replace'; readonly device: string; readonly wants: WantedDevice }
  | {
      readonly do: 'set-option'
      readonly device: string
      readonly option: string
      readonly choice: string
      readonly say: string
    }
  | { readonly do: 'set-device'; readonly device: string; readonly change: Partial<ChainDevice>; readonly say: string }
  | {
      /** What stands on the loads' own plates. */
      readonly do: 'plates'
      readonly plates: Readonly<Record<string, Nameplate>>
      readonly say: string
    }
  | { readonly do: 'answer'; readonly question: string; readonly value: number | string; readonly say: string }
  | {
      readonly do: 'plan'
      readonly plan: string
      readonly change: Partial<OnOffBehaviour> | Partial<BandBehaviour> | Partial<FanBehaviour>
      readonly say: string
    }
  | {
      /** One setting of an output moved, and what goes with it: switching points, the other stages of its controller. */
      readonly do: 'setting'
      readonly plan: string
      readonly setting: 'swingK' | 'bandK' | 'minimumOffS' | 'setpointC'
      readonly value: number
      readonly say: string
    }
  | {
      /** A circuit like the one that feeds a line now, for that line alone. */
      readonly do: 'own-circuit'
      readonly supply: string
      readonly into: PortRef
      readonly say: string
    }
  | {
      readonly do: 'controller'
      readonly device: string
      /** Parts of the controller's plan, each as a whole. */
      readonly change: Partial<ControllerPlan>
      readonly say: string
    }
