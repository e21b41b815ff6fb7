import { lazy, Suspense, useEffect } from 'react'
import { createBrowserRouter, Navigate, Outlet, RouterProvider } from 'react-router'
import { useAppSelector } from '../lib/store'
import { BoardPlace } from '../places/board/BoardPlace'
import { JobsPlace } from '../places/jobs/JobsPlace'
import { LogPlace } from '../places/log/LogPlace'
import { HandOverStage } from '../stages/hand-over/HandOverStage'
import { MatchStage } from '../stages/match/MatchStage'
import { ProveStage } from '../stages/prove/ProveStage'
import { KeyingStage } from '../stages/set/KeyingStage'
import { SetStage } from '../stages/set/SetStage'
import { SurveyStage } from '../stages/survey/SurveyStage'
import { WireStage } from '../stages/wire/WireStage'
import { ErrorPage } from './ErrorPage'
import { JobFrame } from './JobFrame'
import { LoopFrame } from './LoopFrame'

// The strip brings the chart package: it is fetched when Try is opened.
const TryStage = lazy(() => import('../stages/try/TryStage').then((module) => ({ default: module.TryStage })))

const router = createBrowserRouter([
  {
    element: <Outlet />,
    errorElement: <ErrorPage />,
    children: [
      { path: '/', element: <JobsPlace /> },
      {
        path: '/jobs/:jobId',
        element: <JobFrame />,
        errorElement: <ErrorPage />,
        children: [
          { index: true, element: <BoardPlace /> },
          { path: 'log', element: <LogPlace /> },
          {
            path: 'loops/:loopId',
            element: <LoopFrame />,
            children: [
              { index: true, element: <Navigate to="survey" replace /> },
              ...[
                { path: 'survey', element: <SurveyStage /> },
                { path: 'match', element: <MatchStage /> },
                { path: 'match/:category', element: <MatchStage /> },
                { path: 'wire', element: <WireStage /> },
                { path: 'wire/:row', element: <WireStage /> },
                { path: 'set', element: <SetStage /> },
                { path: 'set/keying', element: <KeyingStage /> },
                {
                  path: 'try',
                  element: (
                    <Suspense fallback={<p className="p-4">Fetching the strip</p>}>
                      <TryStage />
                    </Suspense>
                  ),
                },
                { path: 'prove', element: <ProveStage /> },
                { path: 'hand-over', element: <HandOverStage /> },
              ].map((route) => ({ ...route, errorElement: <ErrorPage inLoop /> })),
            ],
          },
        ],
      },
      { path: '*', element: <ErrorPage nothing /> },
    ],
  },
])

/** The whole application: theme and routes. */
export function App() {
  const theme = useAppSelector((state) => state.view.theme)
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme
  }, [theme])
  return <RouterProvider router={router} />
}
