import { useMemo, useState } from 'react'
import { consequences, probeFailures } from '@nachtigal/core/check/consequences'
import { checkLoop } from '@nachtigal/core/check/checkLoop'
import { conventionWords } from '@nachtigal/core/control/conventionWords'
import { type Convention, conventions } from '@nachtigal/core/control/switchingPoints'
import type { OnOffBehaviour } from '@nachtigal/core/job/behaviour'
import { movePart } from '@nachtigal/core/job/movePart'
import { inConvention, replan } from '@nachtigal/core/job/replan'
import { formatQuantity, quantityView } from '@nachtigal/core/units/quantity'
import { Ladder, type LadderPart } from '../../instruments/Ladder'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { type PlannedOutput, useLoop } from '../../loop/loopContext'
import { Worked } from '../../loop/Worked'
import { Button } from '../../ui/Button'
import { ChoiceField } from '../../ui/ChoiceField'
import { NumberField } from '../../ui/NumberField'

const marked: Record<string, LadderPart> = {
  C020_SETPOINT_OUTSIDE_LIMITS: 'set',
  C021_SWING_WIDER_THAN_LIMITS: 'bar',
  C022_ALARM_INSIDE_BAND: 'alarm',
  C023_SWING_UNDER_RESOLUTION: 'bar',
  C025_SURFACE_OVER_LIMIT: 'bar',
  C060_NEVER_REACHES: 'bar',
}

/** Temperatures that stand by themselves beside the switching points; each may be left out. */
const limits = [
  { part: 'lowestC', label: 'Lowest set' },
  { part: 'highestC', label: 'Highest set' },
  { part: 'alarmHighC', label: 'High alarm', finding: 'C022_ALARM_INSIDE_BAND' },
] as const satisfies readonly { part: keyof OnOffBehaviour; label: string; finding?: string }[]

/** Stage 4: switching points on the ladder, what they mean beside it, live. */
export function SetStage() {
  const { loop, job, plan, output } = useLoop()
  if (!plan && output)
    return (
      <div className="p-6 bg-paper flex-1">
        <h2 className="h2">This output gives a signal</h2>
        <p className="my-2 max-w-[60ch]">
          Its band is keyed on the controller by its leaflet; it is not planned here yet. Outputs that switch are
          planned on the ladder: choose one under the chain.
        </p>
      </div>
    )
  if (!plan)
    return (
      <div className="p-6 bg-paper flex-1">
        <h2 className="h2">Nothing to set yet</h2>
        <p className="my-2">A controller on an output makes the plan.</p>
        <div className="max-w-xs">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/match/controller`}>Choose a controller</Button>
        </div>
      </div>
    )
  return <PlanSheet key={plan.id} plan={plan} />
}

function PlanSheet({ plan }: { plan: PlannedOutput }) {
  const inHand = useLoop()
  const { loop, job, chain, survey, change, preferences, words } = inHand
  const [held, setHeld] = useState<OnOffBehaviour | null>(null)
  const phone = useMedia(PHONE)
  const shown = held ?? plan
  const { id: _id, ...stored } = plan
  const write = (next: OnOffBehaviour) =>
    change({
      loop: { ...loop, settings: { ...loop.settings, planned: { ...loop.settings.planned, [plan.id]: next } } },
    })
  const safely = (make: () => OnOffBehaviour) => {
    try {
      return write(make())
    } catch (error) {
      return (error as Error).message
    }
  }
  const live = useMemo(
    () =>
      held
        ? checkLoop({
            ...inHand,
            loop: { ...loop, settings: { ...loop.settings, planned: { ...loop.settings.planned, [plan.id]: held } } },
          }).open
        : inHand.open,
    [held, inHand, loop, plan.id],
  )
  const findings = live.filter(({ stage, about }) => stage === 'set' && about === plan.id)
  const marks = Object.fromEntries(findings.flatMap(({ code, head }) => (marked[code] ? [[marked[code], head]] : [])))
  const controller = chain.devices.find(({ id }) => id === plan.output.device)
  const temperature = quantityView('temperature', preferences)
  const difference = quantityView('difference', preferences)
  const display = controller?.facts.controller?.display
  const step = preferences.temperatureUnit === 'F' ? (display?.stepF ?? 1) : (display?.stepC ?? 0.5)
  const out = (c: number) => Number(temperature.toShown(c).toFixed(4))
  const move = (part: LadderPart, value: number, done: boolean) => {
    const next = movePart(stored, part, temperature.toSi(value), difference.toSi(step))
    if (!done) {
      setHeld(next)
      return
    }
    setHeld(null)
    write(next)
  }
  const offered = new Map(
    Object.values(controller?.facts.controller?.conventions ?? {}).map((each) => [each.convention, each.swingIs]),
  )
  const field = (code: string) =>
    findings.some((f) => f.code === code && f.severity === 'stop')
      ? ('stop' as const)
      : findings.some((f) => f.code === code)
        ? ('look' as const)
        : undefined
  const swingFinding = field('C023_SWING_UNDER_RESOLUTION') ?? field('C021_SWING_WIDER_THAN_LIMITS')
  const common = { preferences, stepSi: difference.toSi(step) }
  const key = (name: string) => `${loop.id}/${plan.id}/${name}`
  const drop = (name: 'lowestC' | 'highestC' | 'alarmHighC', value: number | undefined) => {
    const { [name]: _old, ...rest } = stored
    return safely(() => (value === undefined ? rest : { ...rest, [name]: value }) as OnOffBehaviour)
  }
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0" aria-labelledby="ladder-title">
        <div className="flex items-baseline gap-4 px-4 pt-2.5">
          <h2 id="ladder-title" className="h2">
            Switching points
          </h2>
          <span className="text-ink2 truncate not-phone">
            moves by {formatQuantity(difference.toSi(step), 'difference', preferences)}, the display step of{' '}
            {controller?.name ?? 'the controller'}
          </span>
        </div>
        <div className="flex-1 min-h-0 max-lg:h-[420px] max-lg:flex-none px-2 flex items-stretch">
          <Ladder
            values={{
              action: shown.action,
              set: out(shown.setpointC),
              on: out(shown.onC),
              off: out(shown.offC),
              lowest: shown.lowestC === undefined ? undefined : out(shown.lowestC),
              highest: shown.highestC === undefined ? undefined : out(shown.highestC),
              alarm: shown.alarmHighC === undefined ? undefined : out(shown.alarmHighC),
            }}
            unit={temperature.label}
            differenceUnit={difference.label}
            step={step}
            marks={marks}
            moves="moves cut-in and cut-out"
            compact={phone}
            onMove={move}
          />
        </div>
        <div className="border-t border-line px-4 py-2 grid gap-x-4 gap-y-2 grid-cols-2 md:grid-cols-4 items-start">
          <NumberField
            label="Set"
            draftKey={key('set')}
            value={shown.setpointC}
            quantity="temperature"
            {...common}
            low={-273}
            high={2000}
            required
            finding={field('C020_SETPOINT_OUTSIDE_LIMITS')}
            onCommit={(v) => (v === undefined ? undefined : safely(() => replan(stored, { setpointC: v })))}
          />
          {plan.convention === 'split' ? (
            <div className="grid grid-cols-2 gap-2">
              {(['above', 'below'] as const).map((side) => (
                <NumberField
                  key={side}
                  label={side === 'above' ? 'Swing above' : 'below'}
                  draftKey={key(side)}
                  value={shown[`${side}K`]}
                  quantity="difference"
                  {...common}
                  low={0}
                  high={500}
                  required
                  finding={swingFinding}
                  onCommit={(v) => (v === undefined ? undefined : safely(() => replan(stored, { [`${side}K`]: v })))}
                />
              ))}
            </div>
          ) : (
            <NumberField
              label="Swing"
              draftKey={key('swing')}
              value={shown.swingK}
              quantity="difference"
              {...common}
              over={0}
              high={500}
              required
              finding={swingFinding}
              onCommit={(v) => (v === undefined ? undefined : safely(() => replan(stored, { swingK: v })))}
            />
          )}
          <ChoiceField
            label="The set is where it"
            value={plan.convention}
            finding={field('C027_CONVENTION_NOT_ON_CONTROLLER')}
            choices={conventions.map((value) => ({
              value,
              title: `${conventionWords[value]}${offered.has(value) ? '' : ` (not on ${controller?.name ?? 'it'})`}`,
            }))}
            onChoose={(value) =>
              safely(() => inConvention(stored, value as Convention, offered.get(value as Convention)))
            }
          />
          <NumberField
            label="Offset"
            draftKey={key('offset')}
            value={plan.offsetK}
            quantity="difference"
            {...common}
            low={-50}
            high={50}
            required
            finding={field('C040_OFFSET_LARGE')}
            onCommit={(v) => (v === undefined ? undefined : safely(() => ({ ...stored, offsetK: v })))}
          />
          {limits.map(({ part, label, ...more }) => (
            <NumberField
              key={part}
              label={label}
              draftKey={key(part)}
              value={shown[part]}
              quantity="temperature"
              {...common}
              low={-273}
              high={2000}
              finding={'finding' in more ? field(more.finding) : undefined}
              onCommit={(v) => drop(part, v)}
            />
          ))}
          <NumberField
            label="Least rest"
            draftKey={key('rest')}
            value={plan.minimumOffS}
            quantity="seconds"
            preferences={preferences}
            low={0}
            high={86400}
            required
            onCommit={(v) => (v === undefined ? undefined : safely(() => ({ ...stored, minimumOffS: v })))}
          />
        </div>
      </section>
      <aside className="panel gap-0.5" aria-label="What it means">
        <h2 className="h2">What it means</h2>
        <dl className="facts" aria-live="polite">
          {consequences(shown, inHand).map((line) => (
            <div key={line.id} className="contents" data-consequence={line.id}>
              <dt>{line.label}</dt>
              <dd>
                {line.value === null ? (
                  line.reason
                ) : (
                  <Worked
                    label={line.label}
                    text={formatQuantity(line.value, line.quantity, preferences, line.decimals)}
                    call={line.worked}
                  />
                )}
              </dd>
            </div>
          ))}
        </dl>
        {survey ? null : <p className="small text-ink2">Cycles and relay life come with the survey.</p>}
        <Findings findings={live.filter(({ stage }) => stage === 'set')} none="Nothing to look at." />
        <ProbeFault
          plan={shown}
          onChoose={(probeFault) => safely(() => ({ ...stored, probeFault }))}
          finding={field('C041_HEATS_ON_PROBE_FAULT')}
        />
        {chain.devices
          .filter(({ facts }) => facts.limiter)
          .map((device) => (
            <p key={device.id} className="small leading-tight">
              {device.tag} {device.name} opens by itself at <b>{words.say(device.dialC ?? 0, 'temperature', 0)}</b> on{' '}
              {device.facts.limiter!.feels}; reset by {device.facts.limiter!.reset === 'manual' ? 'hand' : 'itself'}.
            </p>
          ))}
        <Cautions stage="set" />
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/set/keying`}>Write the keying sheet</Button>
        </div>
      </aside>
    </div>
  )
}

function ProbeFault({
  plan,
  onChoose,
  finding,
}: {
  plan: OnOffBehaviour
  onChoose: (value: 'off' | 'on') => void
  finding: 'stop' | 'look' | undefined
}) {
  const { chain, survey, words } = useLoop()
  const failures = probeFailures(plan, chain, survey)
  return (
    <div>
      <ChoiceField
        label="When the probe fails the output goes"
        value={plan.probeFault}
        finding={finding}
        onChoose={(value) => onChoose(value as 'off' | 'on')}
        choices={[
          { value: 'off', title: 'off' },
          { value: 'on', title: 'on' },
        ]}
      />
      {failures.length > 0 ? (
        <p className="small mt-1 leading-tight">
          Open: display <span className="mono">{failures[0]!.display}</span>. Short:{' '}
          <span className="mono">{failures[1]!.display}</span>.
          {failures[0]!.fallsK !== undefined
            ? ` Off, it falls ${words.say(failures[0]!.fallsK, 'difference')} in the first hour at design.`
            : ' On, only the limiter holds it.'}
        </p>
      ) : null}
    </div>
  )
}
