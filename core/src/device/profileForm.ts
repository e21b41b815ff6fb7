import type { Field, Fields } from '../schema/field'
import type { Category } from '../choices/deviceChoices'
import { deviceRecord } from './fields/deviceFields'

/** What the program writes itself, or what is chosen before the form. */
const own = ['format', 'id', 'version', 'category'] as const
/** Parts that devices of one sort have, by the sort; any other part is there for all. */
const partsOf: Readonly<Partial<Record<string, readonly Category[]>>> = {
  probe: ['probe'],
  controller: ['controller', 'drive'],
  limiter: ['limiter'],
  load: ['load'],
  relay: ['relay', 'permissive'],
  permissive: ['permissive'],
}
/** Parts without which a device of its sort is none. */
const needed = new Set(['probe', 'limiter', 'permissive'])

/**
 * The form that a device is typed in from its leaflet: every field that a device of this sort may have, as it is declared, and every other
 * part that this one holds. So whatever stands on the shelf can be typed.
 */
export function profileForm(category: Category, held: Readonly<Record<string, unknown>> = {}): Fields {
  const parts = Object.entries(deviceRecord.fields as Fields).flatMap(([key, field]): [string, Field][] => {
    if ((own as readonly string[]).includes(key)) return []
    const sorts = partsOf[key]
    if (sorts && !sorts.includes(category) && !Object.hasOwn(held, key)) return []
    if (!sorts?.includes(category) || !(needed.has(key) || key === 'controller')) return [[key, field]]
    const { optional: _optional, ...asked } = field
    return [[key, asked as Field]]
  })
  return Object.fromEntries(parts)
}

/** A device with nothing in it but what every one has. */
export const emptyProfile = (category: Category, id: string): Record<string, unknown> => ({
  format: 1,
  id,
  category,
  name: '',
  summary: '',
  terminals: {},
  ports: {},
  ...(category === 'controller' || category === 'drive'
    ? {
        controller: {
          display: { stepC: 0.1, stepF: 0.1 },
          conventions: {},
          faultDisplay: {},
          faultOutputs: {},
          parameters: {},
        },
      }
    : {}),
})

/** Ids are plain words: letters and digits of the name, with a number behind where it is taken. */
export function freeId(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 40) || 'device'
  let id = plain
  for (let n = 2; taken.has(id); n++) id = `${plain}-${n}`
  return id
}
