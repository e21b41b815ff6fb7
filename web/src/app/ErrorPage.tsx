import { Link, useRouteError } from 'react-router'
import { Button } from '../design/Button'

/** Shown where a screen broke. What was typed is in the store and on the device, so coming back finds it. */
export function ErrorPage({ nothing = false, inLoop = false }: { nothing?: boolean; inLoop?: boolean }) {
  const error = useRouteError()
  return (
    <main className={`p-6 max-w-xl grid gap-4 ${inLoop ? 'bg-paper h-full content-start' : ''}`}>
      <h1 className="h1">{nothing ? 'There is nothing at this address' : 'This screen broke'}</h1>
      {nothing ? null : (
        <p>
          Nothing that you typed is lost: it is kept on this device. Load the screen again; if it breaks again, go on
          with another step.
        </p>
      )}
      {error instanceof Error ? <p className="small text-ink2 mono break-words">{error.message}</p> : null}
      {nothing ? null : <Button onClick={() => location.reload()}>Load it again</Button>}
      <Link to="/">All jobs</Link>
    </main>
  )
}
