import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { shelfFileOf } from '@nachtigal/contract/shelfFile'
import { curvePicture } from '@nachtigal/core/calc/curvePicture'
import { probeCurve } from '@nachtigal/core/probes/probeCurve'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { categoryTitles, leaflet, parameterComes, parameterRange } from '@nachtigal/core/device/leaflet'
import { keysOf } from '@nachtigal/core/commissioning/keyingSheet'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import type { LoopKind } from '@nachtigal/core/kinds/kinds'
import { PictureDrawing } from '../../drawing/picture/PictureDrawing'
import { TerminalStrip } from '../../drawing/TerminalStrip'
import { useTakeOffDeviceMutation } from '../../state/api'
import { refusalWords } from '../../state/refusalWords'
import { useAppSelector } from '../../state/store'
import { download } from '../../lib/download'
import { useShelf } from './shelfContext'
import { Select } from '../../design/Select'

/** A device as its leaflet: terminals drawn, what it takes and gives, parameters with their keys, curve of a probe. */
export function DevicePage({ profile }: { profile: DeviceProfile }) {
  const { own, profiles, calcData, words, preferences, base } = useShelf()
  const theme = useAppSelector((state) => state.view.theme)
  const navigate = useNavigate()
  const [takeOff] = useTakeOffDeviceMutation()
  const [problem, setProblem] = useState<string>()
  const mine = own.has(profile.id)
  const sections = useMemo(() => leaflet(profile, calcData.parts, words), [profile, calcData, words])
  const curve = useMemo(() => {
    const fitted = profile.probe?.curve
    return fitted && fitted.kind !== 'thermocouple' ? curvePicture(probeCurve(fitted), []) : undefined
  }, [profile])
  const alike = profiles.filter(({ category, id }) => category === profile.category && id !== profile.id)
  const kinds = Object.keys(profile.kinds ?? {}) as LoopKind[]
  const remove = async () => {
    const answer = await takeOff(profile.id)
    if ('error' in answer) setProblem(refusalWords(answer.error))
    else void navigate(base, { state: { takenOff: profile } })
  }
  const parameters = Object.entries(profile.controller?.parameters ?? {}).sort(([, a], [, b]) => a.order - b.order)
  return (
    <article className="p-4 md:p-5 grid gap-5 content-start" aria-labelledby="device-title">
      <header className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <div className="min-w-0 flex-1">
          <h1 id="device-title" className="h1">
            {profile.name}
          </h1>
          <p className="text-[15px]">{words.tell(profile.summary)}</p>
          <p className="text-ink2">
            {categoryTitles[profile.category]}
            {kinds.length > 0
              ? `, made for: ${kinds.map((kind) => kindFacts[kind].title.toLowerCase()).join(', ')}`
              : ''}
            {mine ? `, your own, version ${profile.version ?? 1}` : ''}
          </p>
        </div>
        <div className="flex flex-wrap gap-x-5 items-center" role="group" aria-label="What to do with it">
          <label className="flex items-center gap-2 min-h-10">
            <span className="lab">Compare with</span>
            <Select
              className="bg-blank border-b-2 border-ink h-8 max-md:h-12 max-w-40"
              value=""
              onChange={(event) => void navigate(`${base}/${profile.id}/compare/${event.target.value}`)}
            >
              <option value="">choose</option>
              {alike.map(({ id, name, summary }) => (
                <option key={id} value={id}>
                  {name}, {words.tell(summary)}
                </option>
              ))}
            </Select>
          </label>
          <Link to={`${base}/${profile.id}/change`} className="min-h-10 max-md:min-h-12 inline-flex items-center">
            {mine ? 'Change' : 'Duplicate'}
          </Link>
          <button
            type="button"
            className="third min-h-10 max-md:min-h-12"
            onClick={() =>
              download(`${profile.id}.nachtigal-device.json`, `${JSON.stringify(shelfFileOf([profile]), null, 1)}\n`)
            }
          >
            Take a file
          </button>
          {mine ? (
            <button type="button" className="third min-h-10 max-md:min-h-12" onClick={() => void remove()}>
              Remove it from the shelf
            </button>
          ) : null}
        </div>
        {problem ? (
          <p role="alert" className="error w-full">
            {problem}
          </p>
        ) : null}
      </header>
      {profile.note ? <p className="border-l-4 border-ink pl-3 max-w-[80ch]">{words.tell(profile.note)}</p> : null}
      <TerminalStrip profile={profile} />
      <div className="grid gap-x-8 gap-y-5 lg:grid-cols-2">
        {sections.map(({ title, rows }) => (
          <section key={title} aria-label={title} className={title.startsWith('Terminals') ? 'lg:col-span-2' : ''}>
            <h2 className="h3 mb-1 border-b border-ink">{title}</h2>
            <dl className="leaflet">
              {rows.map(({ label, text }, i) => (
                <div key={`${label}-${i}`}>
                  <dt>{label}</dt>
                  <dd>{text}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      {curve ? (
        <section aria-label="Curve" className="max-w-2xl">
          <h2 className="h3 mb-1">Curve</h2>
          <PictureDrawing picture={curve} preferences={preferences} label={`Curve of ${profile.name}`} theme={theme} />
        </section>
      ) : null}
      {parameters.length > 0 && profile.controller ? (
        <section aria-label="Parameters" className="overflow-x-auto" tabIndex={0}>
          <h2 className="h3 mb-1">Parameters</h2>
          <table className="grid-table tight">
            <thead>
              <tr>
                <th>Shows</th>
                <th>Name</th>
                <th>Takes</th>
                <th>Comes as</th>
                <th>Who</th>
                <th>Keys</th>
              </tr>
            </thead>
            <tbody>
              {parameters.map(([code, parameter]) => (
                <tr key={code}>
                  <td className="font-bold">{code}</td>
                  <td>
                    {parameter.name}
                    <span className="block small text-ink2">
                      {words.tell(parameter.meaning)}
                      {parameter.resets ? ` Key again after it: ${Object.keys(parameter.resets).join(', ')}.` : ''}
                    </span>
                  </td>
                  <td>{parameterRange(parameter, words)}</td>
                  <td>{parameterComes(parameter, words)}</td>
                  <td>{parameter.level}</td>
                  <td>{keysOf(profile.controller!, code)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ) : null}
    </article>
  )
}
