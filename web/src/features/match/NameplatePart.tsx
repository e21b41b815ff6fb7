import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { givesOf } from '@nachtigal/core/device/duty'
import { type Nameplate, workingPort } from '@nachtigal/core/device/withNameplate'
import { factOf } from '@nachtigal/core/settings/factOf'
import { contactLoad } from '@nachtigal/core/wiring/contactLoad'
import { writeDevice } from '@nachtigal/core/actions/writeDevice'
import { nameplateRecord } from '@nachtigal/core/device/fields/nameplateFields'
import { formatValue } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { useAct } from '../../loop/useAct'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'

type Figure = Exclude<keyof Nameplate, 'phases' | 'turns'>
type Usual = Readonly<Partial<Record<Figure, number>>>

const titles: Readonly<Record<Figure, string>> = {
  powerW: 'Takes',
  givesW: 'Gives',
  volts: 'At',
  amps: 'Current',
  powerFactor: 'Power factor',
  startsPerHour: 'Starts at most',
  minimumOffS: 'Minimum off time',
  ratedVa: 'Can give',
  ratedHz: 'Frequency',
  leastHz: 'Slowest it cools itself',
}

/** Which fact each is. */
const facts: Readonly<Partial<Record<Figure, string>>> = {
  powerW: 'takes',
  givesW: 'gives',
  volts: 'volts',
  amps: 'amps',
  startsPerHour: 'bears',
  minimumOffS: 'minimumOff',
}

/** What counts of a load now: its own plate over what is usual. An element gives what it takes, so it is asked once. */
function countsOf({ facts }: ResolvedDevice): { readonly usual: Usual; readonly asked: readonly Figure[] } {
  const rated = Object.values(facts.ports).find((port) => port.kind === 'supply-out' && port.ratedVa !== undefined)
  if (rated?.kind === 'supply-out') return { usual: { ratedVa: rated.ratedVa! }, asked: ['ratedVa'] }
  const working = facts.ports[workingPort(facts) ?? '']
  const load = working?.kind === 'load' ? working.load : undefined
  const given = Object.values(facts.ports).flatMap((port) =>
    'does' in port && port.givesW !== undefined ? [givesOf(port)] : [],
  )
  const { motor } = facts.load ?? {}
  const gives = given.length > 0 ? Math.max(...given) : undefined
  return {
    usual: {
      ...(load && { powerW: load.powerW, volts: load.volts }),
      ...(load && { amps: contactLoad([], load).loadA }),
      ...(load?.powerFactor === undefined ? {} : { powerFactor: load.powerFactor }),
      ...(gives === undefined ? {} : { givesW: gives }),
      ...(facts.load?.startsPerHour === undefined ? {} : { startsPerHour: facts.load.startsPerHour }),
      ...(facts.load?.minimumOffS === undefined ? {} : { minimumOffS: facts.load.minimumOffS }),
      ...(motor?.ratedHz === undefined ? {} : { ratedHz: motor.ratedHz }),
      ...(motor?.leastHz === undefined ? {} : { leastHz: motor.leastHz }),
    },
    asked: [
      ...(gives === undefined ? [] : (['givesW'] as const)),
      ...(load ? (['powerW', 'volts', 'amps', 'powerFactor'] as const) : []),
      ...(motor ? (['ratedHz', 'leastHz'] as const) : (['startsPerHour', 'minimumOffS'] as const)),
    ],
  }
}

/** Whether a device has figures on its plate that others go by: a load, and what can give only so much. */
export const hasPlate = ({ category, ports }: ResolvedDevice['facts']) =>
  category === 'load' || Object.values(ports).some((port) => port.kind === 'supply-out' && port.ratedVa !== undefined)

/** What stands on the plate of the very device: contact, wire, fuse and simulation go by it. Empty fields count as the shelf usually has it. */
export function NameplatePart({ device }: { readonly device: ResolvedDevice }) {
  const { loop, preferences } = useLoop()
  const act = useAct()
  const { id, tag, nameplate = {} } = device
  const { usual, asked } = countsOf(device)
  const write = (change: { readonly [F in keyof Nameplate]?: Nameplate[F] | undefined }) => {
    const next = Object.fromEntries(
      Object.entries({ ...nameplate, ...change }).filter(([, value]) => value !== undefined),
    ) as Nameplate
    return act(writeDevice, { device: id, nameplate: next })
  }
  const own = Object.keys(nameplate).length > 0
  return (
    <details open={own} data-nameplate={tag}>
      <summary className="cursor-pointer min-h-8 max-md:min-h-12">
        <b className="cond">Nameplate of {tag}</b>{' '}
        <span className="small text-ink2">
          {own ? 'as read; empty: as usual for this kind' : 'as usual for this kind'}
        </span>
      </summary>
      <div className="grid gap-x-4 gap-y-3 grid-cols-2 xl:grid-cols-4 items-start pt-2">
        {asked.map((figure) => {
          const field = nameplateRecord.fields[figure]
          return (
            <NumberField
              key={figure}
              label={titles[figure]}
              draftKey={`${loop.id}/plate/${id}/${figure}`}
              value={nameplate[figure]}
              fact={facts[figure] === undefined ? undefined : factOf(facts[figure], id)}
              field={field}
              preferences={preferences}
              placeholder={usual[figure] === undefined ? '' : formatValue(usual[figure], field.quantity, preferences)}
              onCommit={(value) => write({ [figure]: value })}
            />
          )
        })}
        {asked.includes('volts') ? (
          <ChoiceField
            label="Phases"
            value={String(nameplate.phases ?? '')}
            onChoose={(phases) => void write({ phases: phases === '' ? undefined : (Number(phases) as 1 | 3) })}
            choices={[
              { value: '', title: 'as usual' },
              { value: '1', title: 'one' },
              { value: '3', title: 'three' },
            ]}
          />
        ) : null}
        {device.facts.load?.motor ? (
          <ChoiceField
            label="Turns, at its shaft"
            value={nameplate.turns ?? ''}
            onChoose={(turns) => void write({ turns: turns === '' ? undefined : (turns as Nameplate['turns']) })}
            choices={[
              { value: '', title: 'as usual' },
              { value: 'clockwise', title: 'clockwise' },
              { value: 'against', title: 'against the clock' },
              { value: 'either', title: 'either way' },
            ]}
          />
        ) : null}
      </div>
    </details>
  )
}
