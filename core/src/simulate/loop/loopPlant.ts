import type { LoopDocument } from '../../document/documents'
import { boilerModel } from '../../plant/models/boilerModel'
import { cabinetModel } from '../../plant/models/cabinetModel'
import { cabinModel } from '../../plant/models/cabinModel'
import { chillerModel } from '../../plant/models/chillerModel'
import { coldRoomModel } from '../../plant/models/coldRoomModel'
import { enclosureModel } from '../../plant/models/enclosureModel'
import { fanModel } from '../../plant/models/fanModel'
import { floorModel } from '../../plant/models/floorModel'
import { poolModel } from '../../plant/models/poolModel'
import { roomModel } from '../../plant/models/roomModel'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import type { PlantModel } from '../../plant/thermalNetwork'
import type { LoopSurvey } from '../../survey/surveyResult'

/** A row of field data that a plant was made with, and what it was changed to. */
export interface PlantRow {
  readonly id: string
  readonly value: number
  readonly low: number
  readonly high: number
  readonly unit: string
  readonly what: string
  readonly source: string
  readonly changed: boolean
}

export interface LoopPlant {
  readonly model: PlantModel
  /** Boundaries besides outdoors, °C or g/kg. */
  readonly boundaries: Readonly<Record<string, number>>
  /** Field data that it rests on besides the survey's figures. */
  readonly rows: readonly PlantRow[]
}

/** What a kind's builder looks at. */
interface Given {
  readonly loop: LoopDocument
  readonly survey: LoopSurvey
  /** A row of field data, as changed for this loop. */
  readonly row: (id: string) => number
  readonly figure: (id: string) => number
  readonly answer: (id: string) => number
  readonly gainW: number
  /** The evaporator fan's actuator. */
  readonly fan: string | undefined
}

const KJ = 1000

type Made = Omit<LoopPlant, 'rows' | 'boundaries'> & { readonly boundaries?: LoopPlant['boundaries'] }

const builders: Readonly<Record<LoopDocument['kind'], (given: Given) => Made>> = {
  floor: ({ survey }) => {
    const { plant, facts } = survey.floor!
    return {
      model: floorModel(plant, facts.probePlace === 'screed' ? 'slab' : 'room'),
      boundaries: { water: plant.waterC, supply: facts.supplyC },
    }
  },
  room: ({ survey, row, figure, answer }) => ({
    model: roomModel({
      lossWPerK: figure('loss'),
      quickJPerK: survey.seen.capacityJPerK,
      wholeJPerK: figure('capacity'),
      filmWPerK: row('sim.room.film') * answer('floorArea'),
    }),
  }),
  boiler: ({ survey }) => {
    const { boiler, seen } = survey
    return {
      model: boilerModel({
        waterJPerK: seen.capacityJPerK,
        buildingJPerK: boiler!.buildingJPerK,
        lossWPerK: boiler!.lossWPerK,
        nominalW: seen.loadW,
        nominalK: boiler!.nominalK,
        exponent: boiler!.exponent,
      }),
    }
  },
  pool: ({ survey }) => {
    const { seen, pool } = survey
    const { drying, ...model } = poolModel({
      waterJPerK: seen.capacityJPerK,
      lossWPerK: seen.lossWPerK,
      evaporation: pool!.evaporation,
      ground: pool!.ground,
    })
    return { model, ...(drying ? { boundaries: { drying: drying.restC } } : {}) }
  },
  fan: ({ survey, row, figure, answer, gainW }) => {
    const area = answer('floorArea')
    return {
      model: fanModel({
        lossWPerK: figure('loss'),
        quickJPerK: survey.seen.capacityJPerK,
        wholeJPerK: figure('capacity'),
        filmWPerK: row('sim.room.film') * area,
        heatW: gainW,
        moistShare: row('sim.moisture'),
        volumeM3: area * figure('height'),
        startC: survey.seen.targetC,
        startPercent: 60,
      }),
    }
  },
  enclosure: ({ survey, row, gainW }) => ({
    model: enclosureModel({
      lossWPerK: survey.seen.lossWPerK,
      airJPerK: survey.seen.capacityJPerK,
      wholeJPerK: survey.seen.capacityJPerK * 4,
      film: row('sim.walls.film'),
      heatW: gainW,
    }),
  }),
  'cold-room': ({ survey, row, figure, answer, gainW, fan }) => {
    const { seen } = survey
    const whole = figure('capacity')
    const kw = seen.powerW / 1000
    return {
      model: coldRoomModel({
        lossWPerK: seen.lossWPerK,
        airJPerK: whole * (1 - row('sim.goods.share')),
        goodsJPerK: whole * row('sim.goods.share'),
        goodsWPerK: row('sim.goods.film') * answer('volume'),
        gainW,
        coilJPerK: row('sim.coil.capacity') * seen.powerW,
        coilWPerK: seen.powerW / row('cr.td'),
        stillShare: row('sim.still'),
        humidityPercent: row('sim.coldroom.humidity'),
        halfKg: row('sim.frost.half') * kw,
        ...(fan === undefined ? {} : { fan }),
      }),
    }
  },
  chiller: ({ survey, row, answer }) => {
    const { seen } = survey
    // The load comes through the slab; what the surroundings give the tank comes by itself.
    const heatW = answer('heat')
    return {
      model: chillerModel({
        brineJPerK: seen.capacityJPerK,
        slabJPerK: seen.capacityJPerK * row('sim.slab.share'),
        slabWPerK: Math.max(1, heatW) / row('sim.slab.film'),
        lossWPerK: seen.lossWPerK,
        heatW,
      }),
    }
  },
  cabinet: ({ survey, row, figure }) => {
    const { seen } = survey
    const whole = figure('capacity')
    const massKg = figure('load')
    return {
      model: cabinetModel({
        lossWPerK: seen.lossWPerK,
        airJPerK: seen.capacityJPerK,
        wallsJPerK: Math.max(whole / 10, whole - seen.capacityJPerK),
        film: row('sim.walls.film'),
        goodsJPerK: Math.max(1, massKg) * KJ,
        goodsWPerK: Math.max(1, massKg) * row('sim.load.film'),
        elementJPerK: Math.max(1, seen.powerW) * row('sim.element.capacity'),
        elementWPerK: Math.max(1, seen.powerW) / row('sim.element.film'),
      }),
    }
  },
  cabin: ({ survey, row, figure }) => {
    const { seen } = survey
    const whole = figure('capacity')
    return {
      model: cabinModel({
        lossWPerK: seen.lossWPerK,
        airJPerK: seen.capacityJPerK,
        shellJPerK: Math.max(whole / 10, whole - seen.capacityJPerK),
        leakShare: row('sim.leak'),
        film: row('sim.walls.film'),
      }),
    }
  },
}

/**
 * The loop's plant as a network: the survey's figures, and field data for what nobody measures on site.
 * @param fan actuator of an evaporator fan
 */
export function loopPlant(loop: LoopDocument, survey: LoopSurvey, data: FieldData, fan?: string): LoopPlant {
  const rows: PlantRow[] = []
  const row = (id: string) => {
    const known = rows.find((each) => each.id === id)
    if (known) return known.value
    const { low, typical, high, unit, what, source } = fieldValue(data, id)
    const changed = loop.trial?.plant?.[id]
    const value = changed ?? typical
    rows.push({ id, value, low, high, unit, what, source, changed: changed !== undefined })
    return value
  }
  const { answers } = loop.survey
  const answer = (id: string) => Number(answers[id])
  const { seen } = survey
  const given: Given = {
    loop,
    survey,
    row,
    figure: (id) => survey.figures[id]?.value ?? answer(id),
    answer,
    gainW: seen.lossWPerK * (seen.restC - answer('designOutdoor')),
    fan,
  }
  const { model, boundaries = {} } = builders[loop.kind](given)
  return { model, boundaries, rows }
}
