import type { Quantity } from '../units/quantity'

/** One axis: what runs along it. A unit that is no quantity of ours (volts of a signal) is given in words. */
export interface Axis {
  readonly title: string
  readonly quantity: Quantity
  readonly unit?: string
}

export type Spot = readonly [x: number, y: number]

/** Lines over an axis, with spots that stand out. Values are SI; the screen puts them into the user's units. */
export interface LinesPicture {
  readonly kind: 'lines'
  readonly x: Axis
  readonly y: Axis
  readonly lines: readonly {
    readonly title: string
    readonly points: readonly Spot[]
    readonly look?: 'main' | 'other' | 'limit' | 'on'
  }[]
  readonly spots: readonly { readonly title: string; readonly at: Spot }[]
  /** Limits drawn across, at a value of y. */
  readonly across?: readonly { readonly title: string; readonly at: number }[]
}

/** A value over two axes as a grid of cells, with the working point. */
export interface MapPicture {
  readonly kind: 'map'
  readonly x: Axis
  readonly y: Axis
  readonly value: Axis
  readonly xs: readonly number[]
  readonly ys: readonly number[]
  /** One row for each y, one cell for each x. */
  readonly cells: readonly (readonly number[])[]
  readonly spot?: { readonly title: string; readonly at: Spot }
}

/** Marks along one scale: a thermometer on its side. */
export interface ScalePicture {
  readonly kind: 'scale'
  readonly axis: Axis
  readonly marks: readonly {
    readonly title: string
    readonly at: number
    readonly look: 'on' | 'off' | 'plain' | 'set'
  }[]
  /** Spans between two values. */
  readonly bands: readonly {
    readonly title: string
    readonly from: number
    readonly to: number
    readonly look: 'heat' | 'cold' | 'plain'
  }[]
}

/** Shares of a whole or amounts side by side. */
export interface BarsPicture {
  readonly kind: 'bars'
  readonly value: Axis
  readonly bars: readonly { readonly title: string; readonly value: number }[]
  readonly limit?: { readonly title: string; readonly at: number }
}

/** When something is on over a week of wall minutes from Monday. */
export interface WeekPicture {
  readonly kind: 'week'
  readonly rows: readonly { readonly title: string; readonly spans: readonly Spot[] }[]
}

/** Contacts in series and parallel, as the expression has them. */
interface ContactsPicture {
  readonly kind: 'contacts'
  readonly expression: unknown
}

export type Picture = LinesPicture | MapPicture | ScalePicture | BarsPicture | WeekPicture | ContactsPicture

/** Evenly spaced values, both ends included. */
export const evenly = (from: number, to: number, count: number) =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1))
