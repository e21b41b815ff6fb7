import type { PlantModel } from '../plant/thermalNetwork'
import type { SurveyFigure } from './asked'
import type { Reckoned } from './reckoned'

/** A plant as a network, and what is around it. */
export interface PlantMade {
  readonly model: PlantModel
  /** Boundaries besides outdoors, °C or g/kg. */
  readonly boundaries?: Readonly<Record<string, number>>
}

/** What the builder of a kind's plant looks at. */
export interface PlantGiven {
  readonly survey: Reckoned & { readonly figures: Readonly<Record<string, SurveyFigure>> }
  /** A row of field data, as changed for this loop. */
  readonly row: (id: string) => number
  readonly figure: (id: string) => number
  readonly answer: (id: string) => number
  readonly gainW: number
  /** The evaporator fan’s actuator. */
  readonly fan: string | undefined
}
