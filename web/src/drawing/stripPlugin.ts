import type { Plugin } from 'chart.js'
import type { StripFlag, StripRelay } from './stripParts'

/** Height of the row of a relay, px. */
export const ROW = 22
/** Width of the words at the left, px. */
export const GUTTER = 64

type Colours = Readonly<Record<'ink' | 'ink2' | 'line' | 'tint' | 'heat' | 'cold' | 'look', string>>

/** What is drawn by hand, as it stands now. */
interface Drawn {
  readonly relays: readonly StripRelay[]
  readonly flags: readonly StripFlag[]
  readonly band: readonly [number, number] | undefined
  readonly cursor: number | undefined
}

/** What the chart does not draw itself: the band behind the traces, relays as bars beneath, flags, and the cursor. */
export function stripPlugin(shown: { readonly current: Drawn }, colours: Colours): Plugin<'line'> {
  return {
    id: 'strip',
    beforeDatasetsDraw({ ctx, chartArea, scales }) {
      const { band: drawn } = shown.current
      if (!drawn) return
      const [a, b] = drawn.map((value) => scales['y']!.getPixelForValue(value)) as [number, number]
      const top = Math.max(chartArea.top, Math.min(a, b))
      const bottom = Math.min(chartArea.bottom, Math.max(a, b))
      if (bottom <= top) return
      ctx.save()
      ctx.globalAlpha = 0.13
      ctx.fillStyle = colours.tint
      ctx.fillRect(chartArea.left, top, chartArea.width, bottom - top)
      ctx.globalAlpha = 1
      ctx.strokeStyle = colours.tint
      ctx.setLineDash([4, 3])
      for (const at of [a, b]) {
        if (at < chartArea.top || at > chartArea.bottom) continue
        ctx.beginPath()
        ctx.moveTo(chartArea.left, at)
        ctx.lineTo(chartArea.right, at)
        ctx.stroke()
      }
      ctx.restore()
    },
    afterDraw({ ctx, chartArea, scales }) {
      const x = scales['x']!
      const { relays: rows, flags: marks, cursor: at } = shown.current
      const left = (hour: number) => Math.min(chartArea.right, Math.max(chartArea.left, x.getPixelForValue(hour)))
      ctx.save()
      ctx.font = '500 14px "Barlow Condensed"'
      rows.forEach(({ spans, share, action, name }, i) => {
        const middle = chartArea.bottom + 42 + i * ROW
        ctx.fillStyle = colours.ink2
        ctx.textAlign = 'right'
        ctx.fillText(name, chartArea.left - 6, middle + 4, GUTTER - 8)
        ctx.strokeStyle = colours.line
        ctx.beginPath()
        ctx.moveTo(chartArea.left, middle)
        ctx.lineTo(chartArea.right, middle)
        ctx.stroke()
        ctx.fillStyle = action === 'heating' ? colours.heat : action === 'cooling' ? colours.cold : colours.ink2
        for (const [from, to] of spans ?? []) {
          const a = left(from)
          const b = left(to)
          if (to >= x.min && from <= x.max) ctx.fillRect(a, middle - 5, Math.max(1, b - a), 10)
        }
        share?.forEach(({ x: from, y }, k) => {
          const next = share[k + 1]?.x ?? x.max
          const a = left(from)
          const pixel = Math.floor(a)
          if (y > 0 && next >= x.min && from <= x.max)
            ctx.fillRect(pixel, middle + 6 - 14 * y, Math.max(1, Math.ceil(left(next)) - pixel), 14 * y)
        })
      })
      ctx.fillStyle = colours.look
      ctx.strokeStyle = colours.ink
      let lastAt = -Infinity
      for (const { at: hour } of marks) {
        if (hour < x.min || hour > x.max) continue
        const px = x.getPixelForValue(hour)
        if (px - lastAt < 4) continue
        lastAt = px
        ctx.lineWidth = 1.5
        ctx.beginPath()
        ctx.moveTo(px, chartArea.top)
        ctx.lineTo(px, chartArea.top + 24)
        ctx.stroke()
        ctx.beginPath()
        ctx.moveTo(px, chartArea.top)
        ctx.lineTo(px + 14, chartArea.top)
        ctx.lineTo(px + 9, chartArea.top + 5)
        ctx.lineTo(px + 14, chartArea.top + 10)
        ctx.lineTo(px, chartArea.top + 10)
        ctx.fill()
      }
      if (at !== undefined && at >= x.min && at <= x.max) {
        const px = x.getPixelForValue(at)
        ctx.lineWidth = 1
        ctx.strokeStyle = colours.ink
        ctx.beginPath()
        ctx.moveTo(px, chartArea.top)
        ctx.lineTo(px, chartArea.bottom + 32 + rows.length * ROW)
        ctx.stroke()
      }
      ctx.restore()
    },
  }
}
