import { id, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Removes a run that was kept. */
export const removeRun = defineAction({
  id: 'remove-run',
  did: 'removed a run',
  input: record('run', { run: id('run') }),
  run: (edited, { run }) => {
    const { trial } = edited.loop
    return withLoop(edited, { trial: { ...trial, runs: without(trial?.runs, run) } })
  },
})
