import type { ReactNode } from 'react'
import type { ShapeKind } from '../../design/Shape'
import type { DeviceSign } from '../Sign'

export interface ChainLink {
  /** Tells two links of one kind apart. */
  readonly key: string
  /** Which kind of link it is: what a tap chooses anew. */
  readonly id: string
  /** Designation on the drawing, as B1; none where nothing is chosen yet. */
  readonly tag?: string
  readonly name: string
  readonly sub: string
  readonly sign: DeviceSign
  readonly missing?: boolean
}

export interface ChainConnection {
  readonly kind: ShapeKind
  readonly passes: string
  readonly word: string
  readonly detail: ReactNode
}

export interface ChainProps {
  readonly links: readonly ChainLink[]
  /** One between each two links; undefined where nothing is joined yet. */
  readonly connections: readonly (ChainConnection | undefined)[]
  readonly supply: ChainLink
  readonly rail: ChainConnection | undefined
  /** Which output's path is drawn, where there are several. */
  readonly below?: ReactNode
  readonly onLink: (id: string) => void
}

/** As a person would call a link: designation and name. */
export const calledLink = ({ tag, name }: ChainLink): string => [tag, name].filter(Boolean).join(' ')

export const colours: Readonly<Record<ShapeKind, string>> = {
  stop: 'text-stop',
  look: 'text-look',
  fits: 'text-fits',
  note: 'text-note',
  waiting: 'text-ink2',
}
export const strokes: Readonly<Record<ShapeKind, string>> = {
  stop: 'bg-stop',
  look: 'bg-look',
  fits: 'bg-ink',
  note: 'bg-ink',
  waiting: 'bg-edge',
}
