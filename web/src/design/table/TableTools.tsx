import { Columns3, Copy } from 'lucide-react'
import { type ReactNode, useId, useState } from 'react'
import { useCopyToClipboard } from 'usehooks-ts'
import { Opens } from '../Opens'
import { Tick } from '../Tick'

interface Props {
  readonly find: string | undefined
  readonly sought: string
  readonly onSeek: (text: string) => void
  /** How many rows answer what is sought. */
  readonly count: number | undefined
  readonly columns: readonly { readonly id: string; readonly title: string }[]
  readonly shown: readonly string[]
  readonly onShow: (id: string, on: boolean) => void
  /** The table as text. */
  readonly copied: () => string
  readonly children?: ReactNode
}

/** Over a table: the search, which columns are shown, and copy. */
export function TableTools({ find, sought, onSeek, count, columns, shown, onShow, copied, children }: Props) {
  const id = useId()
  return (
    <div className="table-tools">
      {find ? (
        <>
          <label className="sr-only" htmlFor={id}>
            {find}
          </label>
          <input
            id={id}
            type="search"
            className="table-find"
            maxLength={60}
            placeholder={find}
            value={sought}
            onChange={(event) => onSeek(event.target.value)}
          />
        </>
      ) : null}
      <span role="status" className="small text-ink2">
        {count === undefined ? '' : count === 1 ? '1 row' : `${count} rows`}
      </span>
      {children}
      <span className="ml-auto flex">
        <Opens
          className="third table-tool"
          trigger={
            <>
              <Columns3 size={16} strokeWidth={1.5} aria-hidden /> <span className="tool-word">Columns</span>
            </>
          }
        >
          <p className="h3 mb-1">Columns</p>
          <div className="grid">
            {columns.map((column) => (
              <Tick
                key={column.id}
                checked={shown.includes(column.id)}
                onChange={(on) => onShow(column.id, on)}
                className="py-1"
              >
                {column.title}
              </Tick>
            ))}
          </div>
        </Opens>
        <CopyButton copied={copied} />
      </span>
    </div>
  )
}

function CopyButton({ copied }: { copied: () => string }) {
  const [, copy] = useCopyToClipboard()
  const [said, setSaid] = useState('')
  const go = async () => setSaid((await copy(copied())) ? 'Copied' : 'The browser copies only over https.')
  return (
    <button type="button" className="third table-tool" onClick={() => void go()} onBlur={() => setSaid('')}>
      <Copy size={16} strokeWidth={1.5} aria-hidden />{' '}
      <span aria-live="polite" className={said ? '' : 'tool-word'}>
        {said || 'Copy table'}
      </span>
    </button>
  )
}
