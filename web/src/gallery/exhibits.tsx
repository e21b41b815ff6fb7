import type { ReactNode } from 'react'
import { BandChart } from '../drawing/BandChart'
import { BatteryScale } from '../drawing/BatteryScale'
import { Chain } from '../drawing/chain/Chain'
import type { ChainConnection, ChainLink } from '../drawing/chain/chainLink'
import { UprightChain } from '../drawing/chain/UprightChain'
import { FanMap } from '../drawing/FanMap'
import { KindChoice } from '../drawing/KindChoice'
import { MiniScale } from '../drawing/MiniScale'
import { ProofBar } from '../drawing/ProofBar'
import { ReadingsRule } from '../drawing/ReadingsRule'
import { ResetLine } from '../drawing/ResetLine'
import type { Rung } from '../drawing/scaleValues'
import { SpanStrip } from '../drawing/SpanStrip'
import { StepStairs } from '../drawing/StepStairs'
import { StepTrack } from '../drawing/StepTrack'
import { SwitchingScale } from '../drawing/SwitchingScale'
import { WeekStrip } from '../drawing/WeekStrip'
import { Button } from '../design/Button'
import { ChoiceField } from '../design/ChoiceField'
import { Field } from '../design/Field'
import { NumberField } from '../design/NumberField'
import { PartsNav } from '../design/PartsNav'
import { Shape, type ShapeKind } from '../design/Shape'
import { TextField } from '../design/TextField'
import { Tick } from '../design/Tick'

export interface Exhibit {
  readonly title: string
  readonly states: Readonly<Record<string, ReactNode>>
}

const LONG = 'Return pipe probe of the hatchling house behind the second pump, north'
const nothing = () => undefined
const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

const link = (tag: string, name: string, more: Partial<ChainLink> = {}): ChainLink => ({
  ...{ key: tag, id: tag, tag, name, sub: 'NTC 10 k, 3435', sign: 'contact' },
  ...more,
})
const connection = (kind: ShapeKind, passes: string, word: string): ChainConnection => ({
  ...{ kind, passes, word },
  detail: <p>{word}</p>,
})
const fits = connection('fits', '12090 ohm', 'fits')
const path = (names: readonly string[], connections: readonly (ChainConnection | undefined)[]) => ({
  links: names.map((name, i) => link(`K${i + 1}`, name)),
  connections: connections,
  supply: link('X1', 'Circuit 16 A, 30 mA', { sign: 'supply', sub: '230 V, 16 A, residual-current device' }),
  rail: connection('fits', '230 V line', 'fits'),
  onLink: nothing,
})
const many = (count: number, name = 'Flow switch, gold') =>
  path(
    Array.from({ length: count }, () => name),
    Array.from({ length: count - 1 }, (_, i) => (i === 2 ? connection('look', '6 mA', 'look again') : fits)),
  )

const stages = (shown: (c: number) => number): Rung[] =>
  [-6, -5, -4, -3].map((off, i) => ({
    ...{ id: `s${i + 1}`, stage: i + 1, action: 'cooling', moves: `M${i + 1}` },
    ...{ set: shown(off), off: shown(off), on: shown(off + 1.5) },
  }))
const one = (shown: (c: number) => number): Rung[] => [
  { id: 'a', stage: 1, action: 'heating', set: shown(28), on: shown(27), off: shown(28), moves: 'M1' },
]
const same = (c: number) => c
const fahrenheit = (c: number) => c * 1.8 + 32
const scale = (rungs: Rung[], more: Partial<Parameters<typeof SwitchingScale>[0]> = {}) => (
  <SwitchingScale
    values={{ rungs, pointer: rungs[0]!.set + 0.4, highest: rungs[0]!.set + 6, lowest: rungs[0]!.set - 6 }}
    running={new Set(['s1'])}
    unit="°C"
    differenceUnit="K"
    step={0.1}
    marks={{}}
    moves="all stages"
    compact={false}
    chosen={rungs[0]!.id}
    onMove={nothing}
    onPointer={nothing}
    onChoose={nothing}
    {...more}
  />
)
const band = {
  action: 'heating',
  ...{ set: 20, zero: 21, full: 18, minimum: 10, maximum: 90 },
  corners: [
    [17, 90],
    [18, 90],
    [21, 10],
    [22, 10],
  ],
} as const
const reset = {
  design: [-14, 66],
  warm: [16, 30],
  ...{ minimum: 25, maximum: 70, shutdown: 17, returnLimit: 54, condensing: true },
  line: [
    [-14, 66],
    [16, 30],
  ],
  ...{ setback: [], need: [], returns: [], fixed: 60, hours: [] },
} as const
const proof = { expected: 28, low: 27.5, high: 28.5, format: (value: number) => value.toFixed(1) }
const loops = [
  { id: 'a', name: 'Fish store', set: 1, reading: 2.4, shown: '2.4', heats: false },
  { id: 'b', name: 'Seal pool', set: 14, reading: 23.1, shown: '23.1', heats: true, needs: 'look' as const },
  { id: 'c', name: LONG, set: 28, shown: 'no reading', heats: true },
]
const shapes: readonly ShapeKind[] = ['stop', 'look', 'fits', 'note', 'waiting']
const cells = Array.from({ length: 6 }, (_, y) =>
  Array.from({ length: 8 }, (_each, x) => ({
    percent: Math.min(100, x * 10 + y * 8),
    command: 'temperature' as const,
  })),
)

/** Every instrument and control in the states that it can be in. */
export const exhibits: readonly Exhibit[] = [
  {
    title: 'Chain',
    states: {
      'three devices': <Chain {...many(3, 'Pool probe')} />,
      'five devices': <Chain {...many(5)} />,
      'seven devices': <Chain {...many(7)} />,
      'nine devices': <Chain {...many(9)} />,
      'long names': <Chain {...many(4, LONG)} />,
      empty: (
        <Chain
          {...path(['No probe yet', 'No controller yet', 'No load yet'], [undefined, undefined])}
          rail={undefined}
        />
      ),
      'does not fit': <Chain {...path(['Probe', 'Dipper'], [connection('stop', 'Pt1000 on NTC', 'does not fit')])} />,
      upright: <UprightChain {...many(4, LONG)} />,
    },
  },
  {
    title: 'Switching points',
    states: {
      'one stage': scale(one(same)),
      'four stages': scale(stages(same)),
      '°F': scale(stages(fahrenheit), { unit: '°F', differenceUnit: '°F', step: 1 }),
      phone: scale(stages(same), { compact: true }),
      'something to look at': scale(one(same), { marks: { 'a/bar': 'narrower than the display' } as never }),
    },
  },
  {
    title: 'Band',
    states: {
      heating: (
        <BandChart
          values={band}
          unit="°C"
          step={0.1}
          measured={(percent) => `${(percent / 10).toFixed(1)} V`}
          measuredTitle="Y1"
          compact={false}
          marks={{}}
          onMove={nothing}
        />
      ),
      phone: (
        <BandChart
          values={band}
          unit="°C"
          step={0.1}
          measured={(percent) => `${percent} %`}
          measuredTitle="Y1"
          compact
          marks={{ zero: 'over the highest' }}
          onMove={nothing}
        />
      ),
    },
  },
  {
    title: 'Reset line',
    states: {
      usual: <ResetLine values={reset} unit="°C" step={1} compact={false} marks={{}} onMove={nothing} />,
      phone: <ResetLine values={reset} unit="°C" step={1} compact marks={{}} onMove={nothing} />,
    },
  },
  {
    title: 'Fan map',
    states: {
      usual: (
        <FanMap
          {...{ low: 15, high: 35, lowPercent: 30, highPercent: 90, cells, set: 22, full: 28 }}
          here={{ x: 24, y: 60, says: '24 °C, 60 %: 40 %' }}
          unit="°C"
          step={0.1}
          compact={false}
          onMove={nothing}
        />
      ),
    },
  },
  {
    title: 'Battery',
    states: {
      usual: (
        <BatteryScale
          {...{ cutOff: 11.5, restart: 12.5, runsAbove: 11.8, startsAbove: 12.2, compact: false }}
          marksAt={[{ at: 12.7, text: 'full' }]}
          onMove={nothing}
        />
      ),
    },
  },
  {
    title: 'Timer and week',
    states: {
      timer: (
        <SpanStrip
          label="Timer"
          until={3600}
          rows={[
            { id: 'a', title: 'A', tint: 'heat', spans: [{ from: 0, to: 1200, on: true, title: 'on' }] },
            { id: 'b', title: 'B', tint: 'cold', spans: [{ from: 1200, to: 2400, on: true }] },
          ]}
          handles={[{ id: 'a', label: 'A ends', at: 1200, says: '20 min', step: 60, move: nothing }]}
          ticks={[
            { at: 0, text: '0' },
            { at: 1800, text: '30 min' },
          ]}
          compact={false}
        />
      ),
      week: (
        <WeekStrip
          bars={[{ id: 'p', day: 0, from: 360, to: 600, starts: true, ends: true }]}
          chosen="p"
          clashing={new Set(['p'])}
          titles={{ p: 'Morning' }}
          stepMin={15}
          compact={false}
          onChoose={nothing}
          onStart={nothing}
          onLength={nothing}
          lengthOf={() => 240}
          startOf={() => 360}
        />
      ),
    },
  },
  {
    title: 'Proof bar',
    states: {
      waiting: <ProofBar {...proof} reading={undefined} verdict="waiting" />,
      fits: <ProofBar {...proof} reading={28.2} verdict="fits" />,
      'look again': <ProofBar {...proof} reading={29.4} verdict="look" />,
      'far off': <ProofBar {...proof} reading={99} verdict="stop" size="phone" />,
      'in a list': <ProofBar {...proof} reading={28.2} verdict="fits" size="list" />,
    },
  },
  {
    title: 'Small scales and tracks',
    states: {
      heating: (
        <MiniScale rungs={[{ on: 27, off: 28, action: 'heating' }]} set={28} reading={27.2} label="Setpoint 28" />
      ),
      'no reading': (
        <MiniScale
          rungs={[]}
          wedge={{ zero: 20, full: 24, action: 'cooling' }}
          set={22}
          reading={undefined}
          label="Setpoint 22"
        />
      ),
      track: <StepTrack states={['done', 'look', 'stop', 'open', 'waiting', 'waiting', 'waiting']} here={3} wide />,
      stairs: (
        <StepStairs
          steps={Array.from({ length: 7 }, (_, i) =>
            i < 3 ? ['done', 'open', 'stop'] : ['look', 'waiting', 'waiting'],
          )}
          wide
        />
      ),
      'readings of a job': <ReadingsRule loops={loops} unit="°C" width={822} />,
    },
  },
  {
    title: 'Shapes and buttons',
    states: {
      shapes: (
        <span className="flex gap-4">
          {shapes.map((kind) => (
            <Shape key={kind} kind={kind} size={22} labelled />
          ))}
        </span>
      ),
      filled: <Button onClick={nothing}>Write the keying sheet</Button>,
      second: (
        <Button second onClick={nothing}>
          {LONG}
        </Button>
      ),
      disabled: (
        <Button disabled onClick={nothing}>
          Say why first
        </Button>
      ),
      ticks: (
        <span className="flex gap-4">
          <Tick checked onChange={nothing}>
            landed
          </Tick>
          <Tick checked={false} onChange={nothing} label="tested" />
        </span>
      ),
      parts: (
        <PartsNav
          label="Parts"
          parts={[
            { to: '/a', title: 'Wires' },
            { to: '/b', title: 'Logic' },
          ]}
          here="Wires"
        />
      ),
    },
  },
  {
    title: 'Fields',
    states: {
      number: (
        <NumberField
          label="Setpoint"
          draftKey="g/a"
          value={28}
          quantity="temperature"
          preferences={metric}
          onCommit={nothing}
        />
      ),
      '°F': (
        <NumberField
          label="Setpoint"
          draftKey="g/b"
          value={28}
          quantity="temperature"
          preferences={us}
          onCommit={nothing}
        />
      ),
      empty: (
        <NumberField
          label="Power"
          draftKey="g/c"
          value={undefined}
          quantity="power"
          preferences={metric}
          onCommit={nothing}
        />
      ),
      'look again': (
        <NumberField
          label="Minimum off time"
          draftKey="g/d"
          value={0}
          quantity="seconds"
          preferences={metric}
          finding="look"
          onCommit={nothing}
        />
      ),
      error: (
        <Field label="Name" text error="Name is empty: it takes what the owner calls this loop.">
          {(ids) => <input {...ids} defaultValue="" />}
        </Field>
      ),
      text: <TextField label="Place" draftKey="g/e" value={LONG} onCommit={nothing} />,
      'one of a few, long': (
        <ChoiceField
          label="Supply, from"
          value="x"
          choices={[{ value: 'x', title: 'X1 Circuit 16 A, 30 mA residual-current device' }]}
          onChoose={nothing}
        />
      ),
      'kind of loop': <KindChoice kind="chiller" onChoose={nothing} />,
      'kind of loop, error': (
        <KindChoice kind={undefined} onChoose={nothing} error="Kind is open: choose what is held warm, cold or dry." />
      ),
    },
  },
]
