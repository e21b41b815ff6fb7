import { keeps } from '@nachtigal/core/settings/keptPlan'
import { useState } from 'react'
import { asRun } from '@nachtigal/core/check/tradeView'
import { consequences } from '@nachtigal/core/settings/consequences'
import { energisedAt, switchingScale, soundPatterns } from '@nachtigal/core/settings/switching/switchingScale'
import { conventionWords } from '@nachtigal/core/settings/switching/law/conventionWords'
import { type Convention, conventions } from '@nachtigal/core/settings/switching/law/switchingPoints'
import type { Behaviour, OnOffBehaviour, PlanOf } from '@nachtigal/core/settings/behaviour'
import { inConvention, replan } from '@nachtigal/core/settings/switching/replan'
import {
  eachRung,
  addStage,
  moveRung,
  removeStage,
  reorderStage,
  rungsOf,
  shiftRungs,
  spaceEvenly,
  spacings,
  swingForAll,
  turned,
} from '@nachtigal/core/settings/stages/stageGroup'
import { bindsAny } from '@nachtigal/core/device/bound'
import { formatQuantity } from '@nachtigal/core/units/quantity'
import { stagePlanRecord } from '@nachtigal/core/settings/stages/fields'
import { onOffRecord } from '@nachtigal/core/settings/switching/fields'
import { SwitchingScale } from '../../drawing/SwitchingScale'
import type { ScalePart as ScaleHandle } from '../../drawing/scaleValues'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { BesideTrade } from './BesideTrade'
import { useBesideTrade } from './useBesideTrade'
import { TradeWays } from '../../loop/TradeSays'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { MeaningPanel } from './MeaningPanel'
import { useSetting } from './setting'
import { useDisplay } from './useDisplay'

const onOff = onOffRecord.fields

/** Part of the drawing at which a finding stands. */
const marked: Readonly<Record<string, ScaleHandle>> = {
  C020_SETPOINT_OUTSIDE_LIMITS: 'set',
  C021_SWING_WIDER_THAN_LIMITS: 'bar',
  C022_ALARM_INSIDE_BAND: 'alarm',
  C023_SWING_UNDER_RESOLUTION: 'bar',
  C025_SURFACE_OVER_LIMIT: 'bar',
  C039_ACCURACY_OVER_SWING: 'bar',
  C060_NEVER_REACHES: 'bar',
  C090_STAGE_OUT_OF_ORDER: 'bar',
  C091_HEAT_AGAINST_COLD: 'bar',
  C093_STARTS_TOO_MANY: 'bar',
  C099_STAGE_DRIVES_NOTHING: 'bar',
}
const ofScale = new Set<ScaleHandle>(['set', 'alarm', 'lowest', 'highest'])

const limits = [
  { part: 'lowestC', label: 'Lowest setpoint' },
  { part: 'highestC', label: 'Highest setpoint' },
  { part: 'alarmHighC', label: 'High alarm', finding: 'C022_ALARM_INSIDE_BAND' },
] as const satisfies readonly { part: keyof OnOffBehaviour; label: string; finding?: string }[]

/** The switching points: every switching point of one controller by one probe on one scale. */
export function PointsPart() {
  const { plan } = useSetting()
  const { takeOutput } = useLoop()
  return plan?.kind === 'on-off' ? <Scale plan={plan} onTake={takeOutput} /> : null
}

function Scale({ plan, onTake }: { plan: PlanOf<OnOffBehaviour>; onTake: (id: string) => void }) {
  const { loop, preferences, data } = useLoop()
  const { context, findings, device, whole, move, safely, replanned, withPlan, withWhole } = useSetting()
  const { temperature, difference, step, stepSi, out, maybe } = useDisplay()
  const phone = useMedia(PHONE)
  const kept = loop.settings.planned
  const planned = context.loop.settings.planned
  const rungs = rungsOf(planned, plan.id)
  const view = switchingScale(context, plan.id)
  const { controller } = device.facts
  const [pointer, setPointer] = useState(() => (plan.onC + plan.offC) / 2)
  const energised = energisedAt(view.rungs, pointer)
  const several = rungs.length > 1
  const board = useBesideTrade(several ? undefined : plan)
  const limited = [view.lowestC, view.highestC, view.alarmHighC, view.alarmLowC].some((each) => each !== undefined)
  const [first] = rungs
  const stored = kept[plan.id] as OnOffBehaviour
  const probe = context.chain.connections.find(
    ({ to }) => to.device === plan.input.device && to.port === plan.input.port,
  )?.from.device

  const marks = Object.fromEntries(
    findings.flatMap(({ code, about, head }) => {
      const part = marked[code]
      // What the probe cannot tell stands at every bar that it moves.
      if (part && about === probe) return rungs.map(({ id }) => [`${id}/${part}`, head])
      if (!part || !rungs.some(({ id }) => id === about)) return []
      return [[ofScale.has(part) ? part : `${about}/${part}`, head]]
    }),
  )
  const field = (code: string) => {
    const found = findings.filter((f) => f.code === code && f.about === plan.id)
    return found.some(({ severity }) => severity === 'stop')
      ? ('stop' as const)
      : found.length > 0
        ? ('look' as const)
        : undefined
  }
  const swingFinding =
    field('C023_SWING_UNDER_RESOLUTION') ?? field('C021_SWING_WIDER_THAN_LIMITS') ?? field('C093_STARTS_TOO_MANY')
  const offered = new Map(Object.values(controller?.conventions ?? {}).map((each) => [each.convention, each.swingIs]))
  const common = { preferences, stepSi }
  const key = (name: string) => `${loop.id}/${plan.id}/${name}`
  const all = (planned: Readonly<Record<string, Behaviour>>) => replanned(planned)
  const drop = (name: 'lowestC' | 'highestC' | 'alarmHighC', value: number | undefined) =>
    safely(() =>
      all(
        Object.fromEntries(
          Object.entries(kept).map(([id, each]) => {
            if (!rungs.some((rung) => rung.id === id)) return [id, each]
            const { [name]: _old, ...rest } = each
            return [id, (value === undefined ? rest : { ...rest, [name]: value }) as Behaviour]
          }),
        ),
      ),
    )
  const free = rungsOf(kept, plan.id, true).length - rungs.length
  const spacing = spacings(rungs.filter(({ action }) => action === plan.action))
  const even = spacing.every((k) => Math.abs(k - (spacing[0] ?? k)) < 1e-6)
  const usual = data['spacing.cooling']?.typical ?? 1
  const edit = (made: Record<string, Behaviour> | undefined) => (made ? safely(() => all(made)) : undefined)
  const probes = Object.entries(device.facts.ports).filter(
    ([, port]) => port.kind === 'probe-in' && port.feels === undefined,
  )
  const patterns = soundPatterns(rungs.filter(({ action }) => action === plan.action).length)
  const names = (ids: readonly string[]) =>
    ids.length === 0
      ? 'none'
      : view.rungs
          .filter(({ id }) => ids.includes(id))
          .map(({ stage, action }) =>
            view.rungs.some((r) => r.action !== action)
              ? `${action === 'heating' ? 'heat' : 'cool'} ${stage}`
              : String(stage),
          )
          .join('-')
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="points-title">
        <BesideTrade
          board={board}
          titleId="points-title"
          title="Switching points"
          hint={`moves by ${formatQuantity(stepSi, 'difference', preferences)}, the display step of ${device.name}`}
        >
          <SwitchingScale
            values={{
              rungs: view.rungs.map(({ setpointC, onC, offC, ...rest }) => ({
                ...rest,
                set: out(setpointC),
                on: out(onC),
                off: out(offC),
              })),
              lowest: maybe(view.lowestC),
              highest: maybe(view.highestC),
              alarm: maybe(view.alarmHighC),
              alarmLow: maybe(view.alarmLowC),
              cutOuts: view.cutOuts.map(({ tag, atC, opens }) => ({ tag, at: out(atC), opens })),
              ice: maybe(view.iceC),
              fights: view.fights.map(({ fromC, toC }) => ({ from: out(fromC), to: out(toC) })),
              ...(several ? { pointer: out(pointer) } : {}),
            }}
            {...(several ? { running: new Set(energised.rising) } : {})}
            unit={temperature.label}
            differenceUnit={difference.label}
            step={step}
            marks={marks}
            moves={
              several
                ? `moves ${rungs.length === 2 ? 'both' : `all ${rungs.length}`} stages${limited ? '; limits stay' : ''}`
                : 'moves cut-in and cut-out'
            }
            compact={phone || board !== undefined}
            chosen={plan.id}
            onMove={(part, rung, value, done) =>
              move(() => all(moveRung(kept, rung, part, temperature.toSi(value), stepSi)), done)
            }
            onPointer={(value) => setPointer(temperature.toSi(value))}
            onChoose={onTake}
          />
        </BesideTrade>
        {several ? (
          <div className="stage-bar" role="group" aria-label="Stages">
            <span data-energised="rising">
              Rising to {formatQuantity(pointer, 'temperature', preferences)}: <b>{names(energised.rising)}</b>
            </span>
            <span data-energised="falling">
              falling: <b>{names(energised.falling)}</b>
            </span>
            <span className="text-ink2">sound: {patterns}</span>
            <span className="flex gap-3 md:ml-auto flex-wrap">
              <button
                type="button"
                className="third"
                onClick={() => edit(reorderStage(kept, plan.id, plan.id, -1))}
                disabled={rungs[0]?.id === plan.id}
              >
                Earlier
              </button>
              <button
                type="button"
                className="third"
                onClick={() => edit(reorderStage(kept, plan.id, plan.id, 1))}
                disabled={rungs.at(-1)?.id === plan.id}
              >
                Later
              </button>
              <button type="button" className="third" onClick={() => edit(removeStage(kept, plan.id, plan.id))}>
                Remove
              </button>
              {free > 0 ? (
                <button type="button" className="third" onClick={() => edit(addStage(kept, plan.id, usual))}>
                  Add a stage
                </button>
              ) : null}
            </span>
          </div>
        ) : free > 0 ? (
          <div className="stage-bar">
            <button type="button" className="third" onClick={() => edit(addStage(kept, plan.id, usual))}>
              Add a stage
            </button>
          </div>
        ) : null}
        <div className="param-row">
          <NumberField
            label={several ? 'First setpoint' : 'Setpoint'}
            draftKey={key('set')}
            value={first?.setpointC}
            field={onOff.setpointC}
            {...common}
            required
            finding={field('C020_SETPOINT_OUTSIDE_LIMITS')}
            onCommit={(v) =>
              v === undefined
                ? undefined
                : safely(() => all(shiftRungs(kept, plan.id, v - rungsOf(kept, plan.id)[0]!.setpointC)))
            }
          />
          {spacing.length > 0 ? (
            <NumberField
              label="Stage spacing"
              aside={even ? undefined : 'not even'}
              draftKey={key('apart')}
              value={spacing[0]}
              field={onOff.swingK}
              {...common}
              onCommit={(v) => (v === undefined ? undefined : safely(() => all(spaceEvenly(kept, plan.id, v))))}
            />
          ) : null}
          {several ? (
            <NumberField
              label={`Stage ${view.rungs.find(({ id }) => id === plan.id)?.stage ?? 1} set`}
              draftKey={key('stage')}
              value={plan.setpointC}
              field={onOff.setpointC}
              {...common}
              required
              onCommit={(v) =>
                v === undefined ? undefined : safely(() => withPlan(plan.id, replan(stored, { setpointC: v })))
              }
            />
          ) : null}
          {plan.convention === 'split' && !several ? (
            <div className="grid grid-cols-2 gap-2">
              {(['above', 'below'] as const).map((side) => (
                <NumberField
                  key={side}
                  label={side === 'above' ? 'Swing above' : 'below'}
                  draftKey={key(side)}
                  value={plan[`${side}K`]}
                  field={onOff[`${side}K`]}
                  {...common}
                  required
                  finding={swingFinding}
                  onCommit={(v) =>
                    v === undefined ? undefined : safely(() => withPlan(plan.id, replan(stored, { [`${side}K`]: v })))
                  }
                />
              ))}
            </div>
          ) : (
            <NumberField
              label={several ? 'Swing, all' : 'Swing'}
              draftKey={key('swing')}
              value={plan.swingK}
              field={onOff.swingK}
              {...common}
              required
              finding={swingFinding}
              onCommit={(v) =>
                v === undefined
                  ? undefined
                  : safely(() =>
                      several ? all(swingForAll(kept, plan.id, v)) : withPlan(plan.id, replan(stored, { swingK: v })),
                    )
              }
            />
          )}
          {several ? (
            <NumberField
              label={`Stage ${view.rungs.find(({ id }) => id === plan.id)?.stage ?? 1} swing`}
              draftKey={key('stage-swing')}
              value={plan.swingK}
              field={onOff.swingK}
              {...common}
              required
              finding={swingFinding}
              onCommit={(v) =>
                v === undefined ? undefined : safely(() => withPlan(plan.id, replan(stored, { swingK: v })))
              }
            />
          ) : null}
          <ChoiceField
            label="The setpoint is where it"
            className="double"
            value={plan.convention}
            finding={field('C027_CONVENTION_NOT_ON_CONTROLLER')}
            choices={conventions.map((value) => ({
              value,
              title: `${conventionWords[value]}${offered.has(value) ? '' : ` (not on ${device.name})`}`,
            }))}
            onChoose={(value) =>
              safely(() =>
                all(
                  eachRung(kept, plan.id, (rung) =>
                    inConvention(rung, value as Convention, offered.get(value as Convention)),
                  ),
                ),
              )
            }
          />
          {controller && bindsAny(controller, 'action') ? (
            <ChoiceField
              label={several && !bindsPerOutput(controller) ? 'All stages' : 'Output'}
              value={plan.action}
              choices={[
                { value: 'heating', title: several && !bindsPerOutput(controller) ? 'heat' : 'heats' },
                { value: 'cooling', title: several && !bindsPerOutput(controller) ? 'cool' : 'cools' },
              ]}
              onChoose={(value) =>
                safely(() =>
                  bindsPerOutput(controller)
                    ? withPlan(plan.id, turned(stored, value as OnOffBehaviour['action']))
                    : all(eachRung(kept, plan.id, (rung) => turned(rung, value as OnOffBehaviour['action']))),
                )
              }
            />
          ) : null}
          {probes.length > 1 && controller && bindsAny(controller, 'input') ? (
            <ChoiceField
              label="Follows"
              value={plan.input.port}
              choices={probes.map(([port, { title }], i) => ({ value: port, title: `probe ${i + 1}, ${title}` }))}
              onChoose={(port) => safely(() => withPlan(plan.id, { ...stored, input: { ...stored.input, port } }))}
            />
          ) : null}
          {limits
            .filter(({ part }) => keeps(controller, part))
            .map(({ part, label, ...more }) => (
              <NumberField
                key={part}
                label={label}
                draftKey={key(part)}
                value={view[part]}
                field={onOff[part]}
                {...common}
                finding={'finding' in more ? field(more.finding) : undefined}
                onCommit={(v) => drop(part, v)}
              />
            ))}
          {keeps(controller, 'minimumOffS') ? (
            <NumberField
              label="Minimum off time"
              draftKey={key('rest')}
              value={plan.minimumOffS}
              field={onOff.minimumOffS}
              preferences={preferences}
              required
              onCommit={(v) =>
                v === undefined
                  ? undefined
                  : safely(() => all(eachRung(kept, plan.id, (rung) => ({ ...rung, minimumOffS: v }))))
              }
            />
          ) : null}
          {several && whole.stages ? (
            <>
              <NumberField
                label="Stage wait"
                draftKey={key('wait')}
                value={whole.stages.waitS}
                field={stagePlanRecord.fields.waitS}
                preferences={preferences}
                required
                finding={findings.some(({ code }) => code === 'C094_STAGE_WAIT_SHORT') ? 'look' : undefined}
                onCommit={(v) =>
                  v === undefined ? undefined : safely(() => withWhole({ stages: { ...whole.stages!, waitS: v } }))
                }
              />
              {controller && bindsAny(controller, 'lead') ? (
                <ChoiceField
                  label="Lead"
                  value={whole.stages.lead}
                  choices={[
                    { value: 'fixed', title: 'always stage 1' },
                    { value: 'rotate', title: 'the one that rested longest' },
                  ]}
                  onChoose={(lead) =>
                    safely(() => withWhole({ stages: { ...whole.stages!, lead: lead as 'fixed' | 'rotate' } }))
                  }
                />
              ) : null}
            </>
          ) : null}
        </div>
      </section>
      <MeaningPanel
        lines={asRun(consequences(plan, context), board?.view)}
        below={board ? <TradeWays board={board} /> : null}
      />
    </div>
  )
}

/** Whether each output has an action of its own. */
const bindsPerOutput = (controller: {
  readonly parameters: Readonly<Record<string, { readonly binds?: string; readonly port?: string }>>
}) => Object.values(controller.parameters).some(({ binds, port }) => binds === 'action' && port !== undefined)
