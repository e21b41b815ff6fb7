import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import { type DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { categories, type Category } from '@nachtigal/core/choices/deviceChoices'
import { categoryTitles } from '@nachtigal/core/device/leaflet'
import { toldProfile } from '@nachtigal/core/device/toldProfile'
import { emptyProfile, freeId, profileForm } from '@nachtigal/core/device/profileForm'
import { usePutDeviceMutation } from '../../state/api'
import { draftCleared, drafted } from '../../state/draftsSlice'
import { refusalWords } from '../../state/refusalWords'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { Button } from '../../design/Button'
import { Field } from '../../design/Field'
import { SpecFields, treeAt, type Tree } from './SpecFields'
import { useShelf } from './shelfContext'
import { Select } from '../../design/Select'

/** A device typed in from its leaflet, or copied and changed; as a form and as JSON, each made from the other. */
export function DeviceForm({ from }: { from?: DeviceProfile }) {
  const { own, profiles, base, words } = useShelf()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const [put, { isLoading }] = usePutDeviceMutation()
  const mine = from !== undefined && own.has(from.id)
  const draftKey = `shelf/${from?.id ?? 'new'}`
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const begun = useMemo((): Tree => {
    if (!from) return emptyProfile('controller', 'new')
    const { version: _version, ...bare } = mine ? from : toldProfile(from, words)
    return mine ? bare : { ...bare, name: `${from.name} copy` }
  }, [from, mine, words])
  const [asText, setAsText] = useState(false)
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const value = useMemo((): Tree => {
    try {
      return draft === undefined ? begun : treeAt(JSON.parse(draft))
    } catch {
      return begun
    }
  }, [draft, begun])
  const change = (next: Tree) => {
    setProblem(undefined)
    dispatch(drafted({ key: draftKey, text: JSON.stringify(next) }))
  }
  const category = (categories as readonly string[]).includes(String(value['category']))
    ? (value['category'] as Category)
    : 'controller'
  const taken = useMemo(() => new Set([...profiles.map(({ id }) => id), 'new']), [profiles])
  /** What is to be kept, with an id of its own where it is new. */
  const whole = (tree: Tree): Tree => ({
    ...tree,
    id: mine ? from.id : freeId(String(tree['name'] ?? ''), taken),
  })
  const read = (): Tree | undefined => {
    if (!asText) return value
    try {
      const parsed: unknown = JSON.parse(text)
      return treeAt(parsed)
    } catch (error) {
      setProblem(`The text is no JSON: ${(error as Error).message.slice(0, 120)}`)
      return undefined
    }
  }
  const turn = () => {
    if (asText) {
      const tree = read()
      if (!tree) return
      change(tree)
      setAsText(false)
    } else {
      setText(JSON.stringify(value, null, 2))
      setAsText(true)
    }
  }
  const save = async () => {
    const tree = read()
    if (!tree) return
    const profile = whole(tree)
    const wrong = profileRefusal(profile)
    if (wrong) {
      setProblem(wrong.message)
      return
    }
    const answer = await put(profile as unknown as DeviceProfile)
    if ('error' in answer) {
      setProblem(refusalWords(answer.error))
      return
    }
    dispatch(draftCleared(draftKey))
    void navigate(`${base}/${String(profile['id'])}`)
  }
  return (
    <form
      className="p-4 md:p-5 grid gap-5 content-start"
      aria-labelledby="form-title"
      onSubmit={(event) => {
        event.preventDefault()
        void save()
      }}
    >
      <header className="flex flex-wrap items-baseline gap-x-6">
        <h1 id="form-title" className="h1 flex-1">
          {from ? (mine ? `Change ${from.name}` : `Copy of ${from.name}`) : 'A device from its leaflet'}
        </h1>
        <button type="button" className="third min-h-10 max-md:min-h-12" onClick={turn}>
          {asText ? 'As a form' : 'As JSON'}
        </button>
        {draft !== undefined ? (
          <button
            type="button"
            className="third min-h-10 max-md:min-h-12"
            onClick={() => {
              dispatch(draftCleared(draftKey))
              setAsText(false)
              setProblem(undefined)
            }}
          >
            Start again
          </button>
        ) : null}
      </header>
      {asText ? (
        <label className="grid gap-1">
          <span className="lab">Device as JSON</span>
          <textarea
            className="mono bg-blank border border-edge p-3 min-h-[420px] text-[12px] leading-4"
            spellCheck={false}
            value={text}
            onChange={(event) => {
              setProblem(undefined)
              setText(event.target.value)
            }}
          />
        </label>
      ) : (
        <>
          {from ? null : (
            <Field label="What it is" text className="max-w-xs">
              {(ids) => (
                <Select
                  {...ids}
                  value={category}
                  onChange={(event) => {
                    const next = event.target.value as Category
                    const { controller: _controller, probe: _probe, limiter: _limiter, load: _load, ...kept } = value
                    change({ ...emptyProfile(next, 'new'), ...kept, category: next })
                  }}
                >
                  {categories.map((each) => (
                    <option key={each} value={each}>
                      {categoryTitles[each]}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          )}
          <SpecFields fields={profileForm(category, value)} value={value} onChange={change} device={value} />
        </>
      )}
      <div className="sticky bottom-0 bg-paper py-2 border-t border-line -mx-4 md:-mx-5 px-4 md:px-5">
        <div className="grid gap-2 max-w-sm">
          {problem ? (
            <p role="alert" className="error">
              {problem}
            </p>
          ) : null}
          <Button type="submit" disabled={isLoading} end="+">
            {mine ? 'Keep the change' : 'Put it on the shelf'}
          </Button>
        </div>
      </div>
    </form>
  )
}
