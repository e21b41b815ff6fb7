import { Command } from 'cmdk'
import { ArrowLeft, Search } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useDeferredValue, useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useCopyToClipboard } from 'usehooks-ts'
import { type FindKind, findKindTitles } from '@nachtigal/core/find/findEntry'
import { Shape } from '../../design/Shape'
import { PHONE, useMedia } from '../../lib/useMedia'
import type { Practice } from '@nachtigal/core/units/practice'
import './find.css'
import { type Findable, type FoundGroup, makeFinder } from './makeFinder'
import { Marked } from './Marked'

interface Props {
  readonly findables: readonly Findable[]
  readonly practice: Practice
  /** Another practice's words are looked for without saying so: there is no job whose words they could be told in. */
  readonly quietWords?: boolean
  readonly addressOf: (entry: Findable) => string
  /** What can be found, said while nothing is typed. */
  readonly hint: string
  /** Told what is looked for, to bring what lies elsewhere. */
  readonly onWanted?: (words: string, kind: FindKind | undefined) => void
  /** What lies elsewhere and was found by the same words. */
  readonly also?: FoundGroup | undefined
  /** What is looked for at first. */
  readonly begun: string
  readonly onClose: () => void
}

/** Find anything: what is typed is looked for in all that is here, and Enter goes there. */
export function FindSheet({
  findables,
  practice,
  quietWords = false,
  addressOf,
  hint,
  onWanted,
  also,
  begun,
  onClose,
}: Props) {
  const phone = useMedia(PHONE)
  const navigate = useNavigate()
  const [typed, setTyped] = useState(begun)
  const [kind, setKind] = useState<FindKind>()
  const [chosenId, setChosenId] = useState('')
  const find = useMemo(() => makeFinder(findables, practice), [findables, practice])
  const wanted = useDeferredValue(typed)
  useEffect(() => onWanted?.(wanted, kind), [onWanted, wanted, kind])
  const found = useMemo(() => find(wanted, kind), [find, wanted, kind])
  const groups: readonly FoundGroup[] = also ? [...found.groups, also] : found.groups
  const all = groups.flatMap(({ entries }) => entries)
  const chosen = all.find(({ id }) => id === chosenId) ?? all[0]
  const go = (entry: Findable) => {
    onClose()
    if (entry.href) window.open(entry.href, '_blank', 'noopener')
    else void navigate(addressOf(entry), { flushSync: true })
  }
  const byNumber = (event: React.KeyboardEvent) => {
    if (!event.altKey || !/^[0-9]$/.test(event.key)) return
    const entry = all.filter(({ id }) => id !== chosen?.id)[event.key === '0' ? 9 : Number(event.key) - 1]
    if (!entry) return
    event.preventDefault()
    go(entry)
  }
  const nextKind = (event: React.KeyboardEvent) => {
    if (event.key !== 'Tab' || !(event.target instanceof HTMLInputElement)) return
    const kinds = groups.map(({ entries }) => entries[0]!.id)
    const at = groups.findIndex(({ entries }) => entries.some(({ id }) => id === chosen?.id))
    const next = kinds[at + (event.shiftKey ? -1 : 1)]
    // Past the last kind Tab goes on as anywhere: to the link that is copied.
    if (next === undefined) return
    event.preventDefault()
    setChosenId(next)
  }
  const field = (
    <div className="find-field">
      <Search size={20} strokeWidth={1.5} aria-hidden />
      <Command.Input
        value={typed}
        onValueChange={(text) => {
          setTyped(text)
          setChosenId('')
        }}
        maxLength={120}
        placeholder="Find anything"
        aria-label="Find anything"
        autoFocus
      />
      <span className="cond text-[15px] whitespace-nowrap" role="status">
        {typed.trim() === '' ? '' : `${found.count} found`}
      </span>
    </div>
  )
  let number = 0
  return (
    <Dialog.Root open onOpenChange={(open) => (open ? undefined : onClose())}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30" />
        <Dialog.Content
          className="find"
          aria-describedby={undefined}
          onKeyDown={(event) => {
            byNumber(event)
            nextKind(event)
          }}
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Command
            shouldFilter={false}
            loop
            label="Find anything"
            value={chosenId.startsWith('all/') ? chosenId : (chosen?.id ?? '')}
            onValueChange={setChosenId}
            className="contents"
          >
            {phone ? (
              <header className="find-head">
                <Dialog.Close aria-label="Back" className="grid place-items-center w-12">
                  <ArrowLeft size={20} strokeWidth={1.5} />
                </Dialog.Close>
                <b>Find anything</b>
              </header>
            ) : (
              field
            )}
            {found.word && !quietWords ? (
              <p className="find-word">
                <b>{found.word.typed}</b> is <b>{found.word.here}</b> in this job. Both words are searched.
              </p>
            ) : null}
            {typed.trim() === '' ? (
              <p className="p-4 text-ink2">{hint}</p>
            ) : all.length === 0 ? (
              <p className="p-4">Nothing by these words. Fewer of them, or another one.</p>
            ) : null}
            <Command.List className="find-list" label="Found">
              {groups.map(({ kind: of, count, entries }) => (
                <Command.Group
                  key={of}
                  heading={
                    <>
                      <span>{findKindTitles[of]}</span> <span className="font-normal">{count}</span>
                    </>
                  }
                >
                  {entries.map((entry) => {
                    const here = entry.id === chosen?.id
                    if (!here) number += 1
                    return (
                      <Command.Item key={entry.id} value={entry.id} onSelect={() => go(entry)}>
                        <span className="w-[22px] flex-none">
                          {entry.shape ? <Shape kind={entry.shape} labelled /> : null}
                        </span>
                        <span className="find-what">
                          <Marked text={entry.what} query={wanted} also={found.word?.here} />
                        </span>
                        <span className="find-where">
                          <Marked text={entry.where} query={wanted} also={found.word?.here} />
                        </span>
                        {phone ? null : here ? (
                          <kbd className="find-key bg-ink text-paper">Enter</kbd>
                        ) : number <= 10 ? (
                          <kbd className="find-key">Alt {number % 10}</kbd>
                        ) : null}
                      </Command.Item>
                    )
                  })}
                  {count > entries.length ? (
                    <Command.Item value={`all/${of}`} onSelect={() => setKind(of)}>
                      <span className="underline underline-offset-2 pl-[30px]">All {count}</span>
                    </Command.Item>
                  ) : null}
                </Command.Group>
              ))}
            </Command.List>
            {chosen && !phone ? <Chosen entry={chosen} address={addressOf(chosen)} /> : null}
            {kind === undefined ? null : (
              <button type="button" className="third px-4 min-h-10 text-left" onClick={() => setKind(undefined)}>
                Every kind again
              </button>
            )}
            {phone ? field : null}
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

/** What is chosen, in full, with its address. */
function Chosen({ entry, address }: { entry: Findable; address: string }) {
  const [copied, copy] = useCopyToClipboard()
  const link = new URL(entry.href ?? address, location.href).href
  return (
    <div className="find-chosen">
      <p className="min-w-0 flex-1">
        <b>{entry.what}</b>
        <span className="block text-ink2">{entry.where}</span>
      </p>
      <button type="button" className="third" onClick={() => void copy(link)}>
        {copied === link ? 'Link copied' : 'Copy link'}
      </button>
    </div>
  )
}
