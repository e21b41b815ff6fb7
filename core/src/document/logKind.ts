import type { Command } from './command'

/** What a row of the log is about, for its filter. */
export const logKinds = {
  survey: 'Survey',
  chain: 'Chain',
  wiring: 'Wires',
  settings: 'Settings',
  tests: 'Tests and readings',
  notes: 'Notes and photos',
  'hand-over': 'Hand-over',
  job: 'Job',
} as const
export type LogKind = keyof typeof logKinds

const byRoot: Readonly<Record<string, LogKind>> = {
  survey: 'survey',
  chain: 'chain',
  devices: 'chain',
  profiles: 'chain',
  wiring: 'wiring',
  settings: 'settings',
  proof: 'tests',
  trial: 'tests',
  instruments: 'tests',
  kit: 'tests',
  notes: 'notes',
  handover: 'hand-over',
  waivers: 'hand-over',
  temporary: 'hand-over',
}

/** The kinds that a command touches; making or removing a whole document is the job's. */
export const kindsOf = ({ change }: Pick<Command, 'change'>): readonly LogKind[] => [
  ...new Set(change.map(({ path }) => byRoot[path[0] ?? ''] ?? 'job')),
]
