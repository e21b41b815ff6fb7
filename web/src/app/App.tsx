import { lazy, Suspense, useEffect, useState } from 'react'
import { createBrowserRouter, Navigate, Outlet } from 'react-router'
import { RouterProvider } from 'react-router/dom'
import { FirstScreen } from './FirstScreen'
import { ErrorPage } from './ErrorPage'
import type * as Pages from './jobPages'

let pages: typeof Pages | undefined
const fetchPages = async () => (pages = await import('./jobPages'))
// The strip brings the chart package.
const fetchTry = () => import('../features/try/TryStep')
const fetchWorker = async () => (await import('../workers/simulator')).warmWorker()
const fetchAdvice = async () => (await import('../workers/remedies')).warmAdvice()
const fetchLayout = async () => (await import('../workers/layPicture')).warmLayout()

/**
 * A page of the second chunk. Once that is here it is drawn at once: a page that waited even for a moment would take its keys and what
 * is being typed off the screen with it.
 */
function page(name: keyof typeof Pages) {
  const Fetched = lazy(async () => ({ default: (await fetchPages())[name] }))
  return function Page() {
    // Decided when the page comes up: it must not be put in anew when the chunk arrives.
    const [Ready] = useState(() => pages?.[name])
    return Ready ? <Ready /> : <Fetched />
  }
}

const JobFrame = page('JobFrame')
const LoopFrame = page('LoopFrame')
const BackupsPlace = page('BackupsPlace')
const BoardPlace = page('BoardPlace')
const LogPlace = page('LogPlace')
const ShelfAlone = page('ShelfAlone')
const ShelfPlace = page('ShelfPlace')
const CalculatorsAlone = page('CalculatorsAlone')
const CalculatorsPlace = page('CalculatorsPlace')
const SurveyStep = page('SurveyStep')
const MatchStep = page('MatchStep')
const WireStep = page('WireStep')
const LogicPart = page('LogicPart')
const PlacesPart = page('PlacesPart')
const ConductorsPart = page('ConductorsPart')
const BoxPart = page('BoxPart')
const DeadTestsPart = page('DeadTestsPart')
const LivePart = page('LivePart')
const SetStep = page('SetStep')
const KeyingStep = page('KeyingStep')
const ProveStep = page('ProveStep')
const HandOverStep = page('HandOverStep')
const TryStep = lazy(async () => ({ default: (await fetchTry()).TryStep }))

const router = createBrowserRouter([
  {
    element: (
      <Suspense fallback={<p className="p-4">Opening</p>}>
        <Outlet />
      </Suspense>
    ),
    errorElement: <ErrorPage />,
    children: [
      { path: '/', element: <FirstScreen /> },
      ...['/shelf', '/shelf/:device', '/shelf/:device/change', '/shelf/:device/compare/:other'].map((path) => ({
        path,
        element: <ShelfAlone />,
      })),
      { path: '/backups', element: <BackupsPlace /> },
      { path: '/calculators', element: <CalculatorsAlone /> },
      { path: '/calculators/:calc', element: <CalculatorsAlone /> },
      {
        path: '/jobs/:jobId',
        element: <JobFrame />,
        errorElement: <ErrorPage />,
        children: [
          { index: true, element: <BoardPlace /> },
          { path: 'log', element: <LogPlace /> },
          ...['shelf', 'shelf/:device', 'shelf/:device/change', 'shelf/:device/compare/:other'].map((path) => ({
            path,
            element: <ShelfPlace />,
          })),
          { path: 'calculators', element: <CalculatorsPlace /> },
          { path: 'calculators/:calc', element: <CalculatorsPlace /> },
          {
            path: 'loops/:loopId',
            element: <LoopFrame />,
            errorElement: <ErrorPage inLoop />,
            children: [
              { index: true, element: <Navigate to="survey" replace /> },
              ...[
                { path: 'survey', element: <SurveyStep /> },
                { path: 'survey/:part', element: <SurveyStep /> },
                { path: 'match', element: <MatchStep /> },
                { path: 'match/:category', element: <MatchStep /> },
                { path: 'wire', element: <WireStep /> },
                { path: 'wire/:row', element: <WireStep /> },
                { path: 'wire/logic', element: <LogicPart /> },
                { path: 'wire/places', element: <PlacesPart /> },
                { path: 'wire/conductors', element: <ConductorsPart /> },
                { path: 'wire/box', element: <BoxPart /> },
                { path: 'wire/dead', element: <DeadTestsPart /> },
                { path: 'wire/dead/:step', element: <DeadTestsPart /> },
                { path: 'wire/live', element: <LivePart /> },
                { path: 'wire/live/:step', element: <LivePart /> },
                { path: 'set', element: <SetStep /> },
                { path: 'set/keying', element: <KeyingStep /> },
                { path: 'set/:part', element: <SetStep /> },
                ...['try', 'try/:part'].map((path) => ({
                  path,
                  element: (
                    <Suspense fallback={<p className="p-4">Fetching the strip</p>}>
                      <TryStep />
                    </Suspense>
                  ),
                })),
                ...['prove', 'prove/test/*', 'prove/:part'].map((path) => ({ path, element: <ProveStep /> })),
                { path: 'hand-over', element: <HandOverStep /> },
              ].map((route) => ({ ...route, errorElement: <ErrorPage inLoop /> })),
            ],
          },
        ],
      },
      { path: '*', element: <ErrorPage nothing /> },
    ],
  },
])

/** The whole application: its routes. */
export function App() {
  // What is not there yet is fetched once the first screen stands: a plant room may have no network later.
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const ready of [fetchPages(), fetchTry(), fetchWorker(), fetchLayout(), fetchAdvice()])
        ready.catch(() => undefined)
    }, FETCH_AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
  return <RouterProvider router={router} />
}

const FETCH_AFTER_MS = 1500
