/** What a parameter is to hold: a number in the unit of its leaflet, or what is meant by a choice. */
export type PlannedValue = number | string

/** A time of the plan in the unit that a parameter counts in; nothing stays nothing. */
export type InItsUnit = (seconds: number | undefined) => number | undefined

/** What a parameter may bind to in one part of a plan: by the name of the quantity, how its value is read from the plan. */
export type Binds<P> = Readonly<Record<string, (plan: P, time: InItsUnit) => PlannedValue | undefined>>

/** The bindings of one part of a plan, with their names kept as types. */
export const bindsOf =
  <P>() =>
  <const B extends Binds<P>>(binds: B): B =>
    binds

/** Minutes, or hours, of a plan in seconds; nothing stays nothing. */
export const inSeconds = (value: number | undefined, each: 60 | 3600) =>
  value === undefined ? undefined : value * each
