import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { choiceOf } from '@nachtigal/core/device/asSet'
import type { ProbePlace } from '@nachtigal/core/choices/deviceChoices'
import { placeTitles } from '@nachtigal/core/choices/placeTitles'
import { dropSupplyFromJob } from '@nachtigal/core/actions/dropSupplyFromJob'
import { leaveSupplyHere } from '@nachtigal/core/actions/leaveSupplyHere'
import { removeDeviceFromChain } from '@nachtigal/core/actions/removeDeviceFromChain'
import { setDeviceOption } from '@nachtigal/core/actions/setDeviceOption'
import { type KnownOfDevice, writeDevice } from '@nachtigal/core/actions/writeDevice'
import { chainDeviceRecord } from '@nachtigal/core/document/fields/chainFields'
import { useLoop } from '../../loop/loopContext'
import { useAct } from '../../loop/useAct'
import { useTap } from '../../loop/useTap'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { TextField } from '../../design/TextField'
import { hasPlate, NameplatePart } from './NameplatePart'
import { PortConnections } from './PortConnections'

/** What belongs to a device on this job: where it is, how it is set up, what it is joined to. */
export function DeviceCard({ device, onRemoved }: { device: ResolvedDevice; onRemoved: () => void }) {
  const { chain, loop, preferences, profiles } = useLoop()
  const act = useAct()
  const tap = useTap()
  const { id, facts, tag } = device
  const idle = device.shared && !chain.devices.some((each) => each.id === id)
  const write = (known: Omit<KnownOfDevice, 'device'>) => act(writeDevice, { device: id, ...known })
  const places = Object.keys(facts.probe?.places ?? {}) as ProbePlace[]
  const newest = profiles.find((profile) => profile.id === facts.id)
  const older = newest !== undefined && (newest.version ?? 1) > (facts.version ?? 1)
  return (
    <div className="grid gap-4 border-b border-ink pb-3">
      <div className="grid gap-x-4 gap-y-3 sm:grid-cols-2 xl:grid-cols-3 items-start">
        <TextField
          label={`Where ${tag} is`}
          draftKey={`${loop.id}/place/${id}`}
          value={device.place ?? ''}
          onCommit={(place) => write({ place })}
          placeholder={facts.limiter ? facts.limiter.feels : ''}
        />
        {places.length > 1 ? (
          <ChoiceField
            label={`${tag} sits in`}
            value={device.sits ?? places[0]}
            onChoose={(sits) => tap(writeDevice, { device: id, sits: sits as ProbePlace })}
            choices={places.map((place) => ({ value: place, title: placeTitles[place] }))}
          />
        ) : null}
        {facts.category === 'probe' || facts.category === 'transmitter' ? (
          <NumberField
            label="Lead, one way"
            draftKey={`${loop.id}/lead/${id}`}
            value={device.leadM}
            field={chainDeviceRecord.fields.leadM}
            preferences={preferences}
            onCommit={(leadM) => {
              if (leadM !== undefined) return write({ leadM })
              return undefined
            }}
            hint="Two-wire platinum reads high by its lead."
          />
        ) : null}
        {facts.limiter && facts.limiter.opens !== 'fall' ? (
          <NumberField
            label="Dial, opens at"
            draftKey={`${loop.id}/dial/${id}`}
            value={device.dialC}
            quantity="temperature"
            preferences={preferences}
            low={facts.limiter.lowC}
            high={facts.limiter.highC}
            required
            decimals={0}
            onCommit={(dialC) => (dialC === undefined ? undefined : write({ dialC }))}
            hint={`Reset by ${facts.limiter.reset === 'manual' ? 'hand' : 'itself'}`}
          />
        ) : null}
        {Object.entries(facts.options ?? {})
          .sort(([, a], [, b]) => a.order - b.order)
          .map(([option, { title, by, choices }]) => {
            const chosen = choiceOf(facts.options![option]!, device.set?.[option])
            return (
              <div key={option}>
                <ChoiceField
                  label={title}
                  aside={
                    {
                      model: 'as bought',
                      terminals: 'by how it is wired',
                      link: 'link on the board',
                      parameter: 'keyed',
                    }[by]
                  }
                  value={chosen}
                  onChoose={(choice) => tap(setDeviceOption, { device: id, option, choice })}
                  hint={choices[chosen]?.does ?? ''}
                  choices={Object.entries(choices)
                    .sort(([, a], [, b]) => a.order - b.order)
                    .map(([value, choice]) => ({ value, title: choice.title }))}
                />
                <p className="small text-ink2 pt-1" aria-hidden>
                  {choices[chosen]?.does}
                </p>
              </div>
            )
          })}
      </div>
      {hasPlate(facts) ? <NameplatePart device={device} /> : null}
      <PortConnections device={device} />
      <p className="flex flex-wrap gap-x-5">
        {older ? (
          <span className="small text-ink2 self-center">
            Version {facts.version ?? 1} in use; the shelf has {newest.version}. Choose it again below to take it.
          </span>
        ) : null}
        {device.shared ? (
          <>
            <span className="small text-ink2 self-center">
              {idle
                ? 'It feeds nothing yet; what you choose next is fed from it where its voltage suits.'
                : 'Held by the job: all its loops can be fed from it.'}
            </span>
            <button
              type="button"
              className="third min-h-10 max-md:min-h-12"
              onClick={() => {
                if (idle)
                  tap(dropSupplyFromJob, { supply: id }, { tell: `${tag} ${device.name} removed from the job.` })
                else
                  tap(leaveSupplyHere, { supply: id }, { tell: `${tag} ${device.name} feeds nothing here any longer.` })
                onRemoved()
              }}
            >
              {idle ? `Take ${tag} out of the job` : `Feed nothing here from ${tag}`}
            </button>
          </>
        ) : (
          <button
            type="button"
            className="third min-h-10 max-md:min-h-12"
            onClick={() => {
              tap(removeDeviceFromChain, { device: id }, { tell: `${tag} ${device.name} removed from the chain.` })
              onRemoved()
            }}
          >
            Remove {tag} from the chain
          </button>
        )}
      </p>
    </div>
  )
}
