import { useMemo, useRef, useState } from 'react'
import MiniSearch from 'minisearch'
import { judgeConnections, type ConnectionVerdict } from '@nachtigal/core/loop/judgeConnection'
import { type ResolvedDevice, resolveChain } from '@nachtigal/core/document/chain'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Category } from '@nachtigal/core/choices/deviceChoices'
import { suitsPractice } from '@nachtigal/core/device/suitsPractice'
import type { Practice } from '@nachtigal/core/units/practice'
import { chooseDevice } from '@nachtigal/core/actions/chooseDevice'
import { feedFrom } from '@nachtigal/core/actions/feedFrom'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import { placing } from '@nachtigal/core/survey/placing'
import { takeOverPower } from '@nachtigal/core/survey/takeOverPower'
import { addDevice, replaceDevice } from '@nachtigal/core/wiring/chainEdit'
import { idleSupplies } from '@nachtigal/core/wiring/idleSupplies'
import { useJob } from '../../loop/jobContext'
import { useLoop } from '../../loop/loopContext'
import { useTap } from '../../loop/useTap'
import { verdictShape, worstOf } from '../../loop/verdict'
import { Field } from '../../design/Field'
import { Shape } from '../../design/Shape'

interface Props {
  readonly category: Category
  readonly title: string
  /** The device that a choice takes the place of; none where it is added. */
  readonly first: ResolvedDevice | undefined
}

/** Rows beside a device in hand before anybody asks for more: few, so that its connections are seen too. */
const BESIDE = 2

/** The devices of one category on the shelf, each tried in this chain before it is chosen. */
export function ShelfList({ category, title, first }: Props) {
  const { job, loop, profiles, words, data } = useLoop()
  const { loops } = useJob()
  const tap = useTap()
  const [typed, setTyped] = useState('')
  const [all, setAll] = useState(false)
  const list = useRef<HTMLDivElement>(null)
  const mine = useMemo(
    () =>
      profiles
        .filter((profile) => profile.category === category)
        .sort(
          (a, b) => rank(a, loop.kind, job.practice) - rank(b, loop.kind, job.practice) || (a.name < b.name ? -1 : 1),
        ),
    [profiles, category, loop.kind, job.practice],
  )
  const find = useMemo(() => {
    const index = new MiniSearch<DeviceProfile>({
      fields: ['name', 'summary', 'note'],
      searchOptions: { prefix: true, fuzzy: 0.2, combineWith: 'AND' },
    })
    index.addAll(mine)
    return index
  }, [mine])
  const found = useMemo(() => {
    if (typed.trim() === '') return undefined
    const ids = find.search(typed).map(({ id }) => id as string)
    return ids.flatMap((id) => mine.filter((profile) => profile.id === id))
  }, [typed, find, mine])
  const inUse = first ? job.profiles[first.profile]?.id : undefined
  const tried = useMemo(
    () =>
      (found ?? mine)
        .map((profile) => {
          const id = first?.id ?? 'tried'
          const places = placing(loop, profile, data)
          const now = { job, loop }
          // The one in use is judged as it stands, another one as it would come: with the power that the survey answers on its plate.
          const edited =
            first && profile.id === inUse
              ? now
              : takeOverPower(
                  now,
                  first ? replaceDevice(now, first.id, profile, places) : addDevice(now, profile, id, places),
                  data,
                )
          const chain = resolveChain(edited.job, edited.loop.chain)
          const judgedConnections = judgeConnections(chain, words).filter(({ connection }) =>
            chain.connections.some((c) => c.id === connection && (c.fromDevice.id === id || c.toDevice.id === id)),
          )
          return { profile, worst: worstOf(judgedConnections) }
        })
        // The one in use first, then what fits; among equals as they stand on the shelf.
        .sort((a, b) => place(a, inUse, loop.kind, job.practice) - place(b, inUse, loop.kind, job.practice)),
    [found, mine, first, job, loop, words, data, inUse],
  )
  /** A supply that other loops hang on is not exchanged under them: this loop moves to another one. */
  const elsewhere =
    first?.shared === true &&
    Object.values(loops).some(
      (other) =>
        other.id !== loop.id &&
        Object.values(other.chain.connections).some(
          ({ from, to }) => from.device === first.id || to.device === first.id,
        ),
    )
  const choose = (profile: DeviceProfile) =>
    tap(chooseDevice, {
      profile: profile.id,
      ...(first ? { instead: first.id } : {}),
      ...(first && elsewhere ? { here: true as const } : {}),
    })
  const idle = idleSupplies(job, Object.values(loops))
  const ofJob =
    category === 'supply'
      ? ordered(job.devices).filter(
          ({ id }) =>
            id !== first?.id &&
            !idle.some((each) => each.id === id) &&
            !Object.values(loop.chain.connections).some(({ from, to }) => from.device === id || to.device === id),
        )
      : []
  const reach = (event: React.KeyboardEvent, i: number) => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (step === undefined) return
    event.preventDefault()
    const rows = list.current?.querySelectorAll<HTMLElement>('[role="radio"]')
    rows?.[(i + step + rows.length) % rows.length]?.focus()
  }
  const suits = tried.filter(({ profile }) => profile.id === inUse || rank(profile, loop.kind, job.practice) <= FOR_ANY)
  const shown = all || found ? tried : first ? suits.slice(0, BESIDE + 1) : suits
  const tabbable = Math.max(
    0,
    shown.findIndex(({ profile }) => profile.id === inUse),
  )
  return (
    <div>
      <Field label={`Find a ${title.toLowerCase()} on the shelf`} text className="max-w-sm">
        {(ids) => (
          <input
            {...ids}
            type="search"
            value={typed}
            maxLength={60}
            autoComplete="off"
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'ArrowDown') reach(event, -1)
            }}
          />
        )}
      </Field>
      {ofJob.length > 0 ? (
        <div className="mt-2 flex flex-wrap gap-x-5" role="group" aria-label="Supplies of this job">
          {ofJob.map(({ id, tag, name }) => (
            <button
              key={id}
              type="button"
              className="third min-h-10 max-md:min-h-12"
              onClick={() => tap(feedFrom, first ? { supply: id, instead: first.id } : { supply: id })}
            >
              Feed it from {tag} {name}
            </button>
          ))}
        </div>
      ) : null}
      <div className="mt-2 border-t border-line" role="radiogroup" aria-label={title} ref={list}>
        {shown.map(({ profile, worst }, i) => (
          <div key={profile.id} className={`border-b border-line ${inUse === profile.id ? 'chosen' : ''}`}>
            <button
              type="button"
              role="radio"
              aria-checked={inUse === profile.id}
              tabIndex={i === tabbable ? 0 : -1}
              className="w-full text-left grid grid-cols-[20px_minmax(0,1fr)] gap-x-3 px-2 py-2 min-h-14 hover:bg-mark"
              onKeyDown={(event) => reach(event, i)}
              onClick={() => {
                if (inUse !== profile.id) choose(profile)
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
                <span className="text-ink2 font-normal">{words.tell(profile.summary)}</span>
                <span className="block small font-normal">
                  {worst && worst.verdict !== 'fits'
                    ? worst.reason
                    : profile.note === undefined
                      ? worst?.reason
                      : words.tell(profile.note)}
                </span>
              </span>
            </button>
          </div>
        ))}
        {shown.length > 0 ? null : found ? (
          <p className="py-3 text-ink2">Nothing on the shelf is called that. Add it from its leaflet on the Shelf.</p>
        ) : (
          <p className="py-3 text-ink2">
            No {title.toLowerCase()} on the shelf is made for a {factsOfKind(loop.kind).title.toLowerCase()}.
          </p>
        )}
      </div>
      {!found && mine.length > shown.length ? (
        <button type="button" className="third min-h-10 max-md:min-h-12" onClick={() => setAll(true)}>
          All {mine.length} of the shelf
        </button>
      ) : null}
    </div>
  )
}

/** The one in use, then what is made for this kind by how it fits, then the rest. */
const place = (
  { profile, worst }: { profile: DeviceProfile; worst: ConnectionVerdict | undefined },
  inUse: string | undefined,
  kind: Kind,
  practice: Practice,
) =>
  profile.id === inUse
    ? -1
    : 10 * rank(profile, kind, practice) + { fits: 0, 'look-again': 1, 'does-not-fit': 2 }[worst?.verdict ?? 'fits']

type Kind = keyof NonNullable<DeviceProfile['kinds']>

/** Rank of what is made for any kind: up to it a device is offered at once. */
const FOR_ANY = 1

/** Made for this kind, for any, for others; what is found in another practice alone comes after all of them. */
const rank = (profile: DeviceProfile, kind: Kind, practice: Practice) =>
  (profile.kinds === undefined ? 1 : profile.kinds[kind] ? 0 : 2) + (suitsPractice(profile, practice) ? 0 : 3)
