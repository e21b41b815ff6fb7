import { type FieldData, fieldValue } from '../plant/fieldValue'

export const liquids = ['water', 'pg', 'eg'] as const
type Liquid = (typeof liquids)[number]

/**
 * Temperature at which the first ice forms, °C, straight between the printed shares (0, 20, 30, 40, 50 vol %); over 50 % as at 50 %.
 * Source: field data pg.* and eg.*, handbook tables.
 */
export function freezePoint(liquid: Liquid, percent: number, data: FieldData): number {
  if (liquid === 'water') return 0
  const points = [
    [0, 0] as const,
    ...[20, 30, 40, 50].map((share) => [share, fieldValue(data, `${liquid}.${share}`).typical] as const),
  ]
  const at = points.findIndex(([share]) => share >= percent)
  if (at < 0) return points.at(-1)![1]
  if (at === 0) return 0
  const [[x0, y0], [x1, y1]] = [points[at - 1]!, points[at]!]
  return y0 + ((y1 - y0) * (percent - x0)) / (x1 - x0)
}
