/** A year of outdoor temperatures, hour by hour from New Year. Made up but plausible, or somebody's own. */
export interface Climate {
  readonly id: string
  readonly title: string
  readonly about: string
  readonly hourlyC: readonly number[]
}
