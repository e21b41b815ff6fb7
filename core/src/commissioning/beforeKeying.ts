import type { LoopContext } from '../loop/context'
import type { ResolvedDevice } from '../document/chain'
import { choiceOf } from '../device/asSet'
import { reachOf, controlOutputs } from '../wiring/reach'
import type { KeyingRow } from './keyingSheet'

/** What is to be off, or set on the device itself, before the first key: each a sentence. */
export function beforeKeying(
  { chain }: Pick<LoopContext, 'chain'>,
  device: ResolvedDevice,
  rows: readonly KeyingRow[],
): string[] {
  const { options = {}, controller } = device.facts
  if (!controller) return []
  const linked = Object.entries(options)
    .filter(([, { by }]) => by === 'link')
    .map(([id, option]) => {
      const choice = option.choices[choiceOf(option, device.set?.[id])]
      return `Switch the supply off, lock it and prove it dead, then set ${option.title} to ${choice?.title ?? ''}. Only then switch on and key.`
    })
  const driven = [
    ...new Set(
      controlOutputs(device).flatMap((port) =>
        reachOf(chain, { device: device.id, port })
          .filter(({ does }) => does !== 'none' && does !== 'light')
          .map(({ device: load }) => `${load.tag} ${load.name}`),
      ),
    ),
  ]
  const back = rows.find(({ setsBack }) =>
    setsBack.some((code) => ['setpoint', 'action', 'swing'].includes(controller.parameters[code]?.binds ?? '')),
  )
  const turns = rows.find(({ code }) => controller.parameters[code]?.binds === 'action')
  if (driven.length === 0 || (!back && !turns)) return linked
  const loads = `${driven.join(', ')} at ${driven.length > 1 ? 'their own switches' : 'its own switch'}`
  return [
    ...linked,
    back
      ? `Switch off ${loads}: once \u201c${back.name}\u201d is keyed everything else is as it comes, and the output may pull in.`
      : `Switch off ${loads}: until \u201c${turns!.name}\u201d is keyed the output may pull in the wrong way.`,
  ]
}
