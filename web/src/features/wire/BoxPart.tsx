import { useAct } from '../../loop/useAct'
import { writeBox } from '@nachtigal/core/actions/writeBox'
import { useMemo, useState } from 'react'
import { fill, routes } from '@nachtigal/contract/api'
import { mountings } from '@nachtigal/core/plant/enclosure'
import type { BoxPlan } from '@nachtigal/core/document/documents'
import { boxBuilds, boxPlan, type BoxState } from '@nachtigal/core/loop/boxPlan'
import { cutOutOf, printedBar, printVerdict, sayCutOut } from '@nachtigal/core/wiring/cutOut'
import { boxRecord } from '@nachtigal/core/document/fields/wiringFields'
import { useLoop } from '../../loop/loopContext'
import { Worked } from '../../loop/Worked'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { Shape } from '../../design/Shape'
import { WireFrame } from './WireFrame'

const shapes = { fits: 'fits', 'look-again': 'look', 'does-not-fit': 'stop' } as const
const mountingTitles: Record<(typeof mountings)[number], string> = {
  'single-free': 'alone, free all round',
  'single-wall': 'alone, on a wall',
  'end-free': 'end of a row, free behind',
  'end-wall': 'end of a row, on a wall',
  'middle-free': 'within a row, free behind',
  'middle-wall': 'within a row, on a wall',
  'middle-wall-covered': 'within a row, on a wall, roof covered',
}
const buildTitles = { steel: 'painted steel', stainless: 'bare stainless', plastic: 'glass-fibre or plastic' } as const

/** The cut-out of each panel device at 1:1, and the box: its size and how warm it gets inside. */
export function BoxPart() {
  const context = useLoop()
  const { chain } = context
  const state = useMemo(() => boxPlan(context), [context])
  const panel = chain.devices.filter(({ facts }) => cutOutOf(facts) !== undefined)
  return (
    <WireFrame part="Box">
      <div className="flex-1 min-h-0 lg:grid lg:grid-cols-[minmax(0,1fr)_440px] max-lg:overflow-auto">
        <section className="p-4 min-h-0 lg:overflow-auto grid gap-4 content-start" aria-labelledby="box-title">
          <h2 id="box-title" className="h2">
            The box and the heat in it
          </h2>
          {state ? (
            <Box state={state} />
          ) : (
            <p>No device of this chain goes into a box: all of it hangs on walls, pipes and loads.</p>
          )}
        </section>
        <section
          className="p-4 min-h-0 lg:overflow-auto lg:border-l border-line grid gap-3 content-start"
          aria-labelledby="cut-title"
        >
          <h2 id="cut-title" className="h2">
            Panel cut-out
          </h2>
          {panel.length === 0 ? (
            <p>Nothing here goes into a panel front.</p>
          ) : (
            panel.map(({ id }) => <Cut key={id} device={id} />)
          )}
        </section>
      </div>
    </WireFrame>
  )
}

function Box({ state }: { state: BoxState }) {
  const { loop, preferences, words } = useLoop()
  const act = useAct()
  const { box, needed } = state
  const put = (next: Partial<Record<keyof BoxPlan, BoxPlan[keyof BoxPlan] | undefined>>) =>
    act(writeBox, {
      box: Object.fromEntries(Object.entries(next).filter(([, part]) => part !== undefined)) as BoxPlan,
      none: Object.entries(next).flatMap(([key, part]) => (part === undefined ? [key] : [])),
    })
  const given = loop.wiring.box ?? {}
  const size = (label: string, key: 'heightM' | 'widthM' | 'depthM') => (
    <NumberField
      label={label}
      draftKey={`${loop.id}/box/${key}`}
      value={given[key]}
      placeholder={words.say(needed[key], 'thickness', 0).replace(/\s.*$/, '')}
      field={boxRecord.fields[key]}
      quantity="thickness"
      preferences={preferences}
      onCommit={(next) => put({ [key]: next })}
    />
  )
  return (
    <>
      <p className="flex items-center gap-3">
        <Shape kind={shapes[state.verdict]} size={22} />
        <b className="text-[17px]">{state.says}</b>
      </p>
      {state.tooSmall.map((line) => (
        <p key={line} className="caution">
          <Shape kind="look" size={16} />
          <span>{line}.</span>
        </p>
      ))}
      <div className="grid grid-cols-3 gap-3 xl:grid-cols-6">
        {size('Height', 'heightM')}
        {size('Width', 'widthM')}
        {size('Depth', 'depthM')}
        <NumberField
          label="Around it"
          draftKey={`${loop.id}/box/outside`}
          value={given.outsideC}
          placeholder={words.say(box.outsideC, 'temperature', 0).replace(/\s.*$/, '')}
          field={boxRecord.fields.outsideC}
          preferences={preferences}
          onCommit={(next) => put({ outsideC: next })}
        />
        <ChoiceField
          label="Made of"
          value={box.build}
          choices={boxBuilds.map((value) => ({ value, title: buildTitles[value] }))}
          onChoose={(value) => put({ build: value as NonNullable<BoxPlan['build']> })}
        />
        <ChoiceField
          label="Stands"
          value={box.mounting}
          choices={mountings.map((value) => ({ value, title: mountingTitles[value] }))}
          onChoose={(value) => put({ mounting: value as NonNullable<BoxPlan['mounting']> })}
        />
      </div>
      <p className="small text-ink2">
        At least {words.say(needed.heightM, 'thickness', 0)} × {words.say(needed.widthM, 'thickness', 0)} ×{' '}
        {words.say(needed.depthM, 'thickness', 0)} for what goes in, a quarter kept free. Nothing typed: that is taken.
      </p>
      <table className="w-full border-collapse">
        <thead>
          <tr>
            {['device', 'heat', 'how'].map((head) => (
              <th key={head} className="lab text-left px-2 first:pl-0 py-1 border-b border-ink">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {state.inside.map(({ device, heatW, why }) => (
            <tr key={device.id} className="border-b border-line h-8">
              <td>
                <b>{device.tag}</b> {device.name}
              </td>
              <td className="px-2 whitespace-nowrap">{words.say(heatW, 'electricPower', 1)}</td>
              <td className="px-2 text-ink2">{why}</td>
            </tr>
          ))}
          <tr className="h-9">
            <td>
              <b>Together</b>
            </td>
            <td className="px-2 font-bold">{words.say(state.heatW, 'electricPower', 1)}</td>
            <td className="px-2">
              warms it by{' '}
              <Worked
                call={{
                  calc: 'enclosure.cooling',
                  input: {
                    dissipationW: state.heatW,
                    areaM2: state.areaM2,
                    heatTransferWPerM2K: state.wPerM2K.value,
                    insideMaxC: state.mostC,
                    outsideC: box.outsideC,
                  },
                  output: 'riseK',
                }}
                text={words.say(state.riseK, 'difference')}
                label="Rise"
              />{' '}
              over {words.say(state.areaM2, 'area', 2)} of wall ({state.wPerM2K.source})
            </td>
          </tr>
        </tbody>
      </table>
      {state.unsized.length > 0 ? (
        <p className="small">
          No size in the leaflet of {state.unsized.map(({ tag }) => tag).join(', ')}: left out of this figure.
        </p>
      ) : null}
    </>
  )
}

function Cut({ device: id }: { device: string }) {
  const { chain, job, loop, preferences, words } = useLoop()
  const [measured, setMeasured] = useState<number>()
  const device = chain.devices.find((each) => each.id === id)!
  const cut = cutOutOf(device.facts)!
  const said = sayCutOut(cut, words)
  const verdict = measured === undefined ? undefined : printVerdict(measured, cut)
  const scale = Math.min(2.5, 260 / cut.widthMm, 120 / cut.heightMm)
  const [w, h] = [cut.widthMm * scale, cut.heightMm * scale]
  return (
    <article className="grid gap-3 border-b border-line pb-4">
      <h3 className="h3">
        {device.tag} {device.name}: {said.title}
      </h3>
      <svg
        viewBox={`0 0 ${w + 100} ${h + 50}`}
        width={w + 100}
        height={h + 50}
        className="max-w-full"
        role="img"
        aria-label={`Cut-out ${said.width} by ${said.height}`}
      >
        <rect x={80} y={10} width={w} height={h} fill="var(--blank)" stroke="var(--ink)" strokeWidth="1.5" />
        <path d={`M80 ${h + 22}H${80 + w}M80 ${h + 17}v10M${80 + w} ${h + 17}v10`} stroke="var(--ink)" />
        <text x={80 + w / 2} y={h + 42} textAnchor="middle" fontSize="14">
          {said.width}
        </text>
        <path d={`M64 10V${10 + h}M59 10h10M59 ${10 + h}h10`} stroke="var(--ink)" />
        <text x={56} y={14 + h / 2} textAnchor="end" fontSize="14">
          {said.height}
        </text>
      </svg>
      <ul className="grid gap-1">
        {cut.notes.map((note) => (
          <li key={note} className="caution">
            <Shape kind="note" size={14} />
            <span>{words.tell(note)}</span>
          </li>
        ))}
      </ul>
      <p>
        <a
          href={fill(routes.cutOut, { jobId: job.id, loopId: loop.id, deviceId: id })}
          target="_blank"
          rel="noreferrer"
          className="min-h-9 inline-flex items-center"
        >
          Print it 1:1 (PDF)
        </a>{' '}
        at 100 %, then measure its bar:
      </p>
      <div className="max-w-48">
        <NumberField
          label={`The ${said.bar} bar measures`}
          draftKey={`${loop.id}/cut/${id}`}
          value={measured}
          field={printedBar}
          preferences={preferences}
          decimals={said.fine}
          onCommit={(next) => setMeasured(next)}
        />
      </div>
      {verdict ? (
        <p className="caution" role="status">
          <Shape kind={verdict.true ? 'fits' : 'stop'} size={18} />
          <span>{words.tell(verdict.says)}</span>
        </p>
      ) : null}
    </article>
  )
}
