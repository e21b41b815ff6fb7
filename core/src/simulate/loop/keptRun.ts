import type { KeptRun, LoopDocument } from '../../document/documents'
import type { ChosenFault } from './loopFaults'
import { type DaySort, daySorts, type Span, spans } from './runWeather'

interface KeptChoice {
  readonly span: Span
  readonly sort: DaySort
  readonly climate: string
  readonly faults: readonly ChosenFault[]
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

const isTree = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** What was chosen for a kept run; nothing where its text is not that any more. */
export function keptChoice({ choice }: KeptRun): KeptChoice | undefined {
  const read = parsed(choice)
  if (!isTree(read)) return undefined
  const span = spans.find((each) => each === read['span'])
  const sort = daySorts.find((each) => each === read['sort'])
  if (!span || !sort || typeof read['climate'] !== 'string') return undefined
  const faults = (Array.isArray(read['faults']) ? read['faults'] : []).flatMap((fault: unknown): ChosenFault[] =>
    isTree(fault) && typeof fault['id'] === 'string' && typeof fault['atH'] === 'number'
      ? [
          {
            id: fault['id'],
            atH: fault['atH'],
            ...(typeof fault['untilH'] === 'number' ? { untilH: fault['untilH'] } : {}),
          },
        ]
      : [],
  )
  return { span, sort, climate: read['climate'], faults }
}

/** The loop as it was planned when a run was kept: chain and survey are those of now. */
export function keptLoop(loop: LoopDocument, { planned }: KeptRun): LoopDocument {
  const read = parsed(planned)
  if (!isTree(read) || !isTree(read['planned'])) return loop
  const { controllers: _, ...settings } = loop.settings
  return {
    ...loop,
    settings: {
      ...settings,
      planned: read['planned'] as LoopDocument['settings']['planned'],
      ...(isTree(read['controllers'])
        ? { controllers: read['controllers'] as NonNullable<LoopDocument['settings']['controllers']> }
        : {}),
    },
  }
}
