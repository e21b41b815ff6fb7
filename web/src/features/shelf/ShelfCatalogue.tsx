import { useMemo, useRef, useState } from 'react'
import MiniSearch from 'minisearch'
import { Link, NavLink, useNavigate } from 'react-router'
import { readShelfFile } from '@nachtigal/contract/shelfFile'
import { type LoopKind, loopKinds } from '@nachtigal/core/kinds/kinds'
import { type DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { categories, type Category } from '@nachtigal/core/choices/deviceChoices'
import { categoryTitles } from '@nachtigal/core/device/leaflet'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import { useImportDevicesMutation } from '../../state/api'
import { refusalWords } from '../../state/refusalWords'
import { Field } from '../../design/Field'
import { BrokenDevices } from './BrokenDevices'
import { useShelf } from './shelfContext'
import { Select } from '../../design/Select'

/** The list of devices: searched by what one types, filtered by sort and by kind of loop. */
export function ShelfCatalogue({ chosen }: { chosen: string | undefined }) {
  const { profiles, own, broken, base, words } = useShelf()
  const navigate = useNavigate()
  const [typed, setTyped] = useState('')
  const [category, setCategory] = useState<Category | 'own' | ''>('')
  const [kind, setKind] = useState<LoopKind | ''>('')
  const [problem, setProblem] = useState<string>()
  const [said, setSaid] = useState('')
  const [importDevices] = useImportDevicesMutation()
  const list = useRef<HTMLDivElement>(null)
  const index = useMemo(() => {
    const made = new MiniSearch<DeviceProfile & { sort: string }>({
      fields: ['name', 'summary', 'note', 'sort'],
      searchOptions: { prefix: true, fuzzy: 0.2, combineWith: 'AND', boost: { name: 3 } },
    })
    made.addAll(profiles.map((profile) => ({ ...profile, sort: categoryTitles[profile.category] })))
    return made
  }, [profiles])
  const shown = useMemo(() => {
    const order = typed.trim() === '' ? undefined : index.search(typed).map(({ id }) => id as string)
    const kept = profiles.filter(
      (profile) =>
        (category === '' || (category === 'own' ? own.has(profile.id) : profile.category === category)) &&
        (kind === '' || profile.kinds === undefined || profile.kinds[kind]),
    )
    if (!order) return kept
    return order.flatMap((id) => kept.filter((profile) => profile.id === id))
  }, [profiles, own, index, typed, category, kind])
  const groups = typed.trim() === '' ? categories.filter((each) => shown.some((p) => p.category === each)) : [undefined]
  const walk = (event: React.KeyboardEvent) => {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
    if ((event.target as HTMLElement).tagName === 'SELECT') return
    const links = [...(list.current?.querySelectorAll('a') ?? [])]
    const at = links.indexOf(document.activeElement as HTMLAnchorElement)
    event.preventDefault()
    links[Math.max(0, Math.min(links.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.focus()
  }
  const importFile = async (file: File) => {
    setProblem(undefined)
    if (file.size > MOST_BYTES) {
      setProblem(`${file.name.slice(0, 60)} is too large: 4 MB at most.`)
      return
    }
    let value: unknown
    try {
      value = JSON.parse(await file.text())
    } catch {
      setProblem(`${file.name.slice(0, 60)} is no JSON file.`)
      return
    }
    const read = readShelfFile(value)
    if (!read.ok) {
      setProblem(`${file.name.slice(0, 60)}: ${read.wrong.message}`)
      return
    }
    const answer = await importDevices({ format: 'nachtigal-shelf', version: 1, profiles: read.profiles })
    if ('error' in answer) {
      setProblem(refusalWords(answer.error))
      return
    }
    setSaid(`${read.profiles.length} put on the shelf.`)
    const [first] = answer.data.profiles
    if (first) void navigate(`${base}/${first.id}`)
  }
  return (
    <nav className="shelf-list" aria-label="Devices" onKeyDown={walk}>
      <div className="p-3 pb-2 grid gap-2">
        <Field label="Find a device" text>
          {(ids) => (
            <input
              {...ids}
              type="search"
              autoComplete="off"
              maxLength={60}
              placeholder="four stages, pt1000, isolating …"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Enter' && shown[0]) void navigate(`${base}/${shown[0].id}`)
                else if (event.key === 'Escape') setTyped('')
              }}
            />
          )}
        </Field>
        <div className="grid grid-cols-2 gap-2">
          <Field label="Type" text>
            {(ids) => (
              <Select
                {...ids}
                value={category}
                onChange={(event) => setCategory(event.target.value as Category | 'own' | '')}
              >
                <option value="">all</option>
                <option value="own">your own</option>
                {categories.map((each) => (
                  <option key={each} value={each}>
                    {categoryTitles[each]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="For" text>
            {(ids) => (
              <Select {...ids} value={kind} onChange={(event) => setKind(event.target.value as LoopKind | '')}>
                <option value="">any loop</option>
                {loopKinds.map((each) => (
                  <option key={each} value={each}>
                    {kindFacts[each].title}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </div>
      </div>
      <div ref={list} className="overflow-auto min-h-0 flex-1">
        {broken.length > 0 ? <BrokenDevices broken={broken} /> : null}
        {groups.map((group) => (
          <section key={group ?? 'found'} aria-label={group ? categoryTitles[group] : 'Found'}>
            <h2 className="lab px-3 pt-2 pb-1 sticky top-0 bg-paper" aria-live={group ? undefined : 'polite'}>
              {group ? categoryTitles[group] : `Found ${shown.length}`}
            </h2>
            <ul>
              {shown
                .filter((profile) => group === undefined || profile.category === group)
                .map((profile) => (
                  <li key={profile.id}>
                    <NavLink
                      to={`${base}/${profile.id}`}
                      className="sum-row"
                      aria-current={chosen === profile.id ? 'page' : undefined}
                    >
                      {profile.name} <span className="text-ink2 font-normal">{words.tell(profile.summary)}</span>
                      {own.has(profile.id) ? <span className="small text-ink2"> your own</span> : null}
                    </NavLink>
                  </li>
                ))}
            </ul>
          </section>
        ))}
        {shown.length === 0 ? <p className="px-3 text-ink2">Nothing like that. Add it from its leaflet.</p> : null}
      </div>
      <div className="border-t border-line px-3 py-2 flex flex-wrap gap-x-5 items-center">
        <Link to={`${base}/new`} className="min-h-8 max-md:min-h-12 inline-flex items-center">
          Add one
        </Link>
        <label className="third min-h-8 max-md:min-h-12 inline-flex items-center cursor-pointer focus-within:outline-2 focus-within:outline-ink">
          Import a file
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(event) => {
              const file = event.target.files?.[0]
              event.target.value = ''
              if (file) void importFile(file)
            }}
          />
        </label>
        <p role="status" className="small text-ink2">
          {said}
        </p>
        {problem ? (
          <p role="alert" className="error w-full">
            {problem}
          </p>
        ) : null}
      </div>
    </nav>
  )
}

const MOST_BYTES = 4 * 1024 * 1024
