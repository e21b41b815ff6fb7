import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { judgeJoints } from '@nachtigal/core/check/judgeJoint'
import { type ResolvedDevice, resolveChain } from '@nachtigal/core/job/chain'
import { type Category, type DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import { addDevice, type Edited, removeDevice, replaceDevice } from '@nachtigal/core/wiring/chainEdit'
import { withDefaultPlans } from '@nachtigal/core/survey/defaultPlans'
import { Sign } from '../../instruments/Chain'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { JointDetail } from '../../loop/LoopChain'
import { verdictShape, verdictWord, worstOf } from '../../loop/verdict'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { NumberField } from '../../ui/NumberField'
import { Opens } from '../../ui/Opens'
import { Shape } from '../../ui/Shape'
import { TextField } from '../../ui/TextField'

const slots: readonly { category: Category; title: string; sign: Parameters<typeof Sign>[0]['sign'] }[] = [
  { category: 'probe', title: 'Probe', sign: 'probe' },
  { category: 'controller', title: 'Controller', sign: 'controller' },
  { category: 'load', title: 'Load', sign: 'load' },
  { category: 'limiter', title: 'Limiter', sign: 'limiter' },
  { category: 'supply', title: 'Supply', sign: 'supply' },
  { category: 'relay', title: 'Contactor', sign: 'contact' },
]

/** Stage 2: choose each link of the chain from the shelf; every joint is judged. */
export function MatchStage() {
  const loopInHand = useLoop()
  const { chain, joints, open, job, loop } = loopInHand
  const { category } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const filled = (wanted: Category) => chain.devices.filter(({ facts }) => facts.category === wanted)
  const slot =
    slots.find((each) => each.category === category) ??
    slots.find((each) => each.category !== 'relay' && filled(each.category).length === 0) ??
    slots[0]!
  const to = (next: Category) => void navigate(`/jobs/${job.id}/loops/${loop.id}/match/${next}`)
  return (
    <div className="work">
      <div className="grid md:grid-cols-[216px_minmax(0,1fr)] min-h-0">
        <ul
          className="md:border-r border-line flex md:block overflow-x-auto border-b md:border-b-0"
          aria-label="Links of the chain"
        >
          {slots.map((each) => {
            const devices = filled(each.category)
            const touching = joints.filter(({ connection }) =>
              chain.connections.some(
                (c) => c.id === connection && devices.some(({ id }) => c.fromDevice.id === id || c.toDevice.id === id),
              ),
            )
            const worst = worstOf(touching)
            return (
              <li key={each.category} className="flex-none">
                <button
                  type="button"
                  aria-current={slot.category === each.category}
                  className={`w-full flex items-center gap-3 px-4 min-h-14 text-left border-b border-line ${slot.category === each.category ? 'chosen' : ''}`}
                  onClick={() => to(each.category)}
                >
                  <Sign sign={each.sign} />
                  <span className="flex-1 min-w-0">
                    <span className="block cond font-semibold text-[17px]">{each.title}</span>
                    <span className="block small text-ink2 truncate font-normal not-phone">
                      {devices.map(({ tag, name }) => `${tag} ${name}`).join(', ') ||
                        (each.category === 'relay' ? 'only where needed' : 'not chosen')}
                    </span>
                  </span>
                  {devices.length > 0 ? (
                    <Shape kind={worst ? verdictShape[worst.verdict] : 'waiting'} labelled />
                  ) : (
                    <Shape kind="waiting" labelled />
                  )}
                </button>
              </li>
            )
          })}
        </ul>
        <div className="p-4 min-h-0 overflow-auto">
          <ShelfOf key={slot.category} category={slot.category} title={slot.title} present={filled(slot.category)} />
        </div>
      </div>
      <aside className="panel" aria-label="What it means">
        <h2 className="h2">Joints</h2>
        <ul>
          {joints.map((joint) => {
            const connection = chain.connections.find(({ id }) => id === joint.connection)
            return (
              <li key={joint.connection} className="border-b border-line">
                <Opens
                  className="w-full flex items-center gap-2 min-h-9 text-left"
                  label={`${connection?.fromDevice.tag ?? ''} to ${connection?.toDevice.tag ?? ''}: ${verdictWord[joint.verdict]}`}
                  trigger={
                    <>
                      <Shape kind={verdictShape[joint.verdict]} />
                      <span className="cond text-[16px] whitespace-nowrap">
                        {connection?.fromDevice.tag} to {connection?.toDevice.tag}
                      </span>
                      <span className="text-ink2 small truncate flex-1">{joint.passes}</span>
                      <span className="underline small whitespace-nowrap">{verdictWord[joint.verdict]}</span>
                    </>
                  }
                >
                  <JointDetail verdicts={[joint]} loop={loopInHand} />
                </Opens>
              </li>
            )
          })}
          {joints.length === 0 ? <li className="text-ink2">Nothing is joined yet.</li> : null}
        </ul>
        <Findings findings={open.filter(({ stage }) => stage === 'match')} none="Nothing to look at." />
        <Cautions stage="match" />
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/wire`}>{phone ? 'Wire it' : 'Make the wire list'}</Button>
        </div>
      </aside>
    </div>
  )
}

/** The devices of one category on the shelf, each tried in this chain before it is chosen. */
function ShelfOf({
  category,
  title,
  present,
}: {
  category: Category
  title: string
  present: readonly ResolvedDevice[]
}) {
  const { job, loop, profiles, change, data, words } = useLoop()
  const [at, setAt] = useState(0)
  /** The device in hand; none while another one is being chosen. */
  const first = present[at]
  const tried = useMemo(
    () =>
      profiles
        .filter((profile) => profile.category === category)
        .map((profile) => {
          const id = first?.id ?? 'tried'
          const edited = first ? replaceDevice({ job, loop }, first.id, profile) : addDevice({ job, loop }, profile, id)
          const chain = resolveChain(edited.job, edited.loop.chain)
          const mine = judgeJoints(chain, words).filter(({ connection }) =>
            chain.connections.some((c) => c.id === connection && (c.fromDevice.id === id || c.toDevice.id === id)),
          )
          return { profile, worst: worstOf(mine) }
        }),
    [profiles, category, first, job, loop, words],
  )
  const apply = (edited: Edited, tell?: string) => {
    const { job: j, loop: l } = withDefaultPlans(edited, data, () => crypto.randomUUID())
    change({ job: j, loop: l }, tell ? { tell } : {})
  }
  const choose = (profile: DeviceProfile) =>
    apply(
      first ? replaceDevice({ job, loop }, first.id, profile) : addDevice({ job, loop }, profile, crypto.randomUUID()),
    )
  return (
    <section aria-labelledby="shelf-title">
      <h2 id="shelf-title" className="h2">
        {first ? `${title}: ${first.tag} ${first.name}` : `Choose a ${title.toLowerCase()}`}
      </h2>
      {present.length > 0 && category !== 'relay' ? (
        <div className="flex flex-wrap gap-x-4" role="group" aria-label={`Which ${title.toLowerCase()}`}>
          {present.length > 1 || !first
            ? present.map(({ id, tag }, i) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={at === i}
                  className="third min-h-8"
                  onClick={() => setAt(i)}
                >
                  {tag}
                </button>
              ))
            : null}
          {first ? (
            <button type="button" className="third min-h-8" onClick={() => setAt(present.length)}>
              Another {title.toLowerCase()}
            </button>
          ) : null}
        </div>
      ) : null}
      {category === 'relay' && !first ? (
        <p className="text-ink2 my-2">
          A contactor goes in where a contact is too small: tap that joint and put it between.
        </p>
      ) : null}
      <div className="mt-2" role="radiogroup" aria-label={title}>
        {tried.map(({ profile, worst }) => (
          <div key={profile.id} className={`border-b border-line ${first?.profile === profile.id ? 'chosen' : ''}`}>
            <button
              type="button"
              role="radio"
              aria-checked={first?.profile === profile.id}
              disabled={category === 'relay' && !first}
              className="w-full text-left grid grid-cols-[20px_minmax(0,1fr)] gap-x-3 px-2 py-2 min-h-14 hover:bg-mark"
              onClick={() => {
                if (first?.profile !== profile.id) choose(profile)
              }}
            >
              <span className="pt-1">
                {worst ? (
                  <Shape kind={verdictShape[worst.verdict]} size={18} labelled />
                ) : (
                  <Shape kind="waiting" size={18} />
                )}
              </span>
              <span>
                <span className="cond font-semibold text-[17px]">{profile.name}</span>{' '}
                <span className="text-ink2 font-normal">{profile.summary}</span>
                <span className="block small font-normal">
                  {worst && worst.verdict !== 'fits' ? worst.reason : (profile.note ?? worst?.reason)}
                </span>
              </span>
            </button>
          </div>
        ))}
      </div>
      {present.map((device) => (
        <Placed
          key={device.id}
          device={device}
          onRemove={
            device.shared
              ? undefined
              : () =>
                  apply(removeDevice({ job, loop }, device.id), `${device.tag} ${device.name} taken out of the chain.`)
          }
        />
      ))}
    </section>
  )
}

/** What belongs to the device on this job: where it is, its dial. */
function Placed({ device, onRemove }: { device: ResolvedDevice; onRemove: (() => void) | undefined }) {
  const { loop, job, change, preferences } = useLoop()
  const { id, facts } = device
  const own = loop.chain.devices[id]
  const write = (next: Partial<typeof device>) => {
    if (own)
      return change({
        loop: { ...loop, chain: { ...loop.chain, devices: { ...loop.chain.devices, [id]: { ...own, ...next } } } },
      })
    const shared = job.devices[id]
    return shared ? change({ job: { ...job, devices: { ...job.devices, [id]: { ...shared, ...next } } } }) : undefined
  }
  return (
    <div className="mt-4 grid gap-4 md:grid-cols-2 items-end">
      <TextField
        label={`Where ${device.tag} is`}
        draftKey={`${loop.id}/place/${id}`}
        value={device.place ?? ''}
        onCommit={(place) => write({ place })}
        placeholder={facts.limiter ? facts.limiter.feels : ''}
      />
      {facts.limiter ? (
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
      {onRemove ? (
        <button type="button" className="third min-h-10" onClick={onRemove}>
          Take {device.tag} out of the chain
        </button>
      ) : null}
    </div>
  )
}
