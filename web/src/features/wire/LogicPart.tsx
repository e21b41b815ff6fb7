import { layAcross } from '@nachtigal/core/actions/layAcross'
import { useMemo, useState } from 'react'
import type { LoadLogic, NamedContact } from '@nachtigal/core/wiring/loadLogic'
import { mostContacts } from '@nachtigal/core/wiring/contactLogic'
import { switchesAcross } from '@nachtigal/core/wiring/switchesAcross'
import { sayExpression } from '@nachtigal/core/wiring/parseExpression'
import { ContactsDrawing } from '../../drawing/picture/ContactsDrawing'
import { useTap } from '../../loop/useTap'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { Shape } from '../../design/Shape'
import { useContacts } from './useContacts'
import { WireFrame } from './WireFrame'

const duties: Record<NamedContact['duty'], string> = {
  control: 'the control',
  limit: 'limiter',
  protection: 'protection',
  hand: 'switch by hand',
  time: 'timer',
  other: 'contact',
}

/** Which contacts have to close before each load runs, what a by-pass defeats and what still protects. Contacts are flipped by a tap. */
export function LogicPart() {
  const { open, words } = useLoop()
  const contacts = useContacts()
  const [at, setAt] = useState(0)
  const chosen = contacts.logics[Math.min(at, contacts.logics.length - 1)]
  if (!chosen)
    return (
      <WireFrame part="Logic">
        <div className="p-6">
          <h2 className="h2">No contacts yet</h2>
          <p>Logic begins where a contact stands before a load.</p>
        </div>
      </WireFrame>
    )
  return (
    <WireFrame part="Logic">
      <div className="flex-1 min-h-0 lg:grid lg:grid-cols-[240px_minmax(0,1fr)_304px] max-lg:overflow-auto">
        <nav
          aria-label="Loads"
          className="lg:border-r border-line lg:overflow-y-auto max-lg:flex max-lg:overflow-x-auto max-lg:border-b"
        >
          {contacts.logics.map((each, i) => {
            const runs = contacts.runsNow(each)
            return (
              <button
                key={`${each.load.id}.${each.portId}`}
                type="button"
                aria-current={each === chosen}
                className={`flex-none lg:w-full text-left px-4 min-h-14 border-b border-line flex items-center gap-3 ${each === chosen ? 'chosen' : ''}`}
                onClick={() => setAt(i)}
              >
                <Lamp on={runs} />
                <span className="min-w-0">
                  <span className="block cond font-semibold text-[17px] leading-5 break-words">
                    {each.load.tag} {each.load.name}
                  </span>
                  <span className="block small font-normal">{runs ? 'runs' : 'rests'} as the contacts stand</span>
                </span>
              </button>
            )
          })}
        </nav>
        <section
          className="p-4 min-h-0 min-w-0 lg:overflow-auto grid gap-3 content-start"
          aria-labelledby="logic-title"
        >
          <h2 id="logic-title" className="h2">
            What makes {chosen.load.tag} run
          </h2>
          <Line logic={chosen} />
          <Flips logic={chosen} />
          <Table logic={chosen} />
        </section>
        <aside className="panel" aria-label="What it means">
          <h2 className="h2">What it means</h2>
          <Meaning logic={chosen} />
          <Findings
            findings={open.filter(({ code, about }) => code.startsWith('C08') && about.startsWith(chosen.load.id))}
            none=""
          />
          <LayAcross key={`${chosen.load.id}.${chosen.portId}`} logic={chosen} />
          <p className="small text-ink2 mt-auto">
            {words.local('A try on the screen: no contact of the loop moves. Nothing here is a way round a limiter.')}
          </p>
        </aside>
      </div>
    </WireFrame>
  )
}

const Lamp = ({ on }: { on: boolean }) => (
  <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden className="flex-none">
    <circle cx="10" cy="10" r="8" fill={on ? 'var(--mark)' : 'none'} stroke="var(--ink)" strokeWidth="1.5" />
    {on ? <circle cx="10" cy="10" r="4" fill="var(--ink)" /> : null}
  </svg>
)

function Line({ logic }: { logic: LoadLogic }) {
  const { closed, flip } = useContacts()
  const { line, expression, load, relays } = logic
  if (!line || !expression) return null
  return (
    <div className="grid gap-2">
      <div className="max-w-3xl overflow-x-auto">
        <ContactsDrawing
          expression={expression}
          label={`${load.tag} runs with ${sayExpression(expression)}`}
          closed={closed}
          onFlip={flip}
          load={load.tag}
        />
      </div>
      {relays.length > 0 ? (
        <p className="small">
          Looked through{' '}
          {relays.map(({ contact, coil }) => `${contact.name} (pulled by ${sayExpression(coil)})`).join(', ')}.
        </p>
      ) : null}
    </div>
  )
}

function Flips({ logic }: { logic: LoadLogic }) {
  const { words } = useLoop()
  const contacts = useContacts()
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label="Contacts">
      {logic.contacts.map(({ name, duty, device }) => {
        const on = contacts.closed.has(name)
        return (
          <button
            key={name}
            type="button"
            role="switch"
            aria-checked={on}
            aria-label={`${name} ${device.name}`}
            className={`border border-ink px-3 min-h-10 max-md:min-h-12 text-left ${on ? 'bg-mark font-bold' : ''}`}
            onClick={() => contacts.flip(name)}
          >
            {name}{' '}
            <span className="small">
              {words.local(duties[duty])}, {on ? 'closed' : 'open'}
            </span>
          </button>
        )
      })}
    </div>
  )
}

/** Puts a switch or a timer across one contact of the line; what that defeats is said at once. */
function LayAcross({ logic }: { logic: LoadLogic }) {
  const { profiles, job, words } = useLoop()
  const tap = useTap()
  const reachable = [...logic.contacts, ...logic.relays.map(({ contact }) => contact)]
  const switches = useMemo(() => switchesAcross(profiles, job.practice), [profiles, job.practice])
  const [over, setOver] = useState(reachable[0]?.name)
  const [device, setDevice] = useState(switches[0]?.id)
  const contact = reachable.find(({ name }) => name === over)
  const profile = switches.find(({ id }) => id === device)
  if (!contact || !profile) return null
  return (
    <details>
      <summary className="min-h-8 cursor-pointer underline underline-offset-2">
        Lay a switch or a timer across a contact
      </summary>
      <div className="grid gap-3 mt-2">
        <ChoiceField
          label="Across"
          value={contact.name}
          choices={reachable.map(({ name, device: d }) => ({ value: name, title: `${name}, ${d.name}` }))}
          onChoose={setOver}
        />
        <ChoiceField
          label="What"
          value={profile.id}
          choices={switches.map(({ id, name, summary }) => ({ value: id, title: `${name}, ${words.tell(summary)}` }))}
          onChoose={setDevice}
        />
        <Button
          second
          end="+"
          onClick={() =>
            tap(
              layAcross,
              { over: { device: contact.device.id, port: contact.portId }, profile: profile.id },
              { tell: `${profile.name} laid across ${contact.name}.` },
            )
          }
        >
          Lay it across
        </Button>
      </div>
    </details>
  )
}

const ROWS = 16

function Table({ logic }: { logic: LoadLogic }) {
  const { closed, setAll } = useContacts()
  const [all, setWhole] = useState(false)
  const table = logic.logic
  if (!table) return <p>More than {mostContacts} contacts: no truth table is made of so many.</p>
  const here = table.rows.findIndex(({ inputs }) => table.contacts.every((name) => inputs[name] === closed.has(name)))
  const shown = all ? table.rows : table.rows.slice(0, ROWS)
  return (
    <div className="overflow-x-auto">
      <table className="border-collapse">
        <caption className="lab text-left pb-1">Truth table: a tap sets the contacts</caption>
        <thead>
          <tr>
            {table.contacts.map((name) => (
              <th key={name} className="lab px-3 py-1 text-left border-b border-ink">
                {name}
              </th>
            ))}
            <th className="lab px-3 py-1 text-left border-b border-ink">{logic.load.tag}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ inputs, runs }, i) => (
            <tr
              key={i}
              className={`border-b border-line cursor-pointer ${i === here ? 'chosen' : ''}`}
              onClick={() => setAll(table.contacts.filter((name) => inputs[name]))}
            >
              {table.contacts.map((name) => (
                <td key={name} className="px-3 h-7">
                  {inputs[name] ? 'closed' : <span className="text-ink2">open</span>}
                </td>
              ))}
              <td className="px-3 font-bold">{runs ? 'runs' : <span className="font-normal text-ink2">rests</span>}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {table.rows.length > ROWS ? (
        <button type="button" className="third min-h-9" onClick={() => setWhole(!all)}>
          {all ? `First ${ROWS} rows` : `All ${table.rows.length} rows`}
        </button>
      ) : null}
    </div>
  )
}

function Meaning({ logic }: { logic: LoadLogic }) {
  const { words } = useLoop()
  const { logic: table, defeats, protects, load } = logic
  const say = (names: readonly string[]) => names.join(', ').replace(/, ([^,]*)$/, ' and $1')
  return (
    <ul className="grid gap-2">
      {table && table.mustClose.length > 0 ? (
        <li>
          <b>Must all close:</b> {say(table.mustClose)}.
        </li>
      ) : null}
      {defeats.map(({ contact, by, safety }) => (
        <li key={`${contact.name}${by.name}`} className="caution">
          <Shape kind={safety ? 'stop' : 'look'} size={16} />
          <span>
            <b>{by.name}</b> closed defeats <b>{contact.name}</b> ({words.local(duties[contact.duty])}).
          </span>
        </li>
      ))}
      <li className="caution">
        <Shape kind={protects.length > 0 ? 'fits' : 'note'} size={16} />
        <span>
          {protects.length > 0
            ? `Still protects ${load.tag}: ${say(protects.map(({ name }) => name))}.`
            : words.local(`No limiter or permissive stands in this line of ${load.tag}.`)}
        </span>
      </li>
      {table && table.idle.length > 0 ? <li>Makes no difference: {say(table.idle)}.</li> : null}
    </ul>
  )
}
