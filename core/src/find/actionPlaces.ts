import type { FindEntry } from './findEntry'

/** What can be done where: each action by its id, as one would ask for it, and the way to where it is done below its loop. */
export const actionPlaces = {
  'add-instrument': { title: 'Add an instrument', at: ['prove', 'instruments'] },
  'answer-by-measuring': { title: 'Find out by measuring', at: ['survey'] },
  'answer-questions': { title: 'Answer the survey', at: ['survey'] },
  'answer-step': { title: 'Write down a dead test', at: ['wire', 'dead'] },
  'apply-test-fix': { title: 'Set what a test showed', at: ['prove'] },
  'begin-test-again': { title: 'Begin a test again', at: ['prove'] },
  'carry-instrument': { title: 'Say which instruments are at hand today', at: ['prove', 'instruments'] },
  'carry-out': { title: 'Carry out a remedy', at: ['match'] },
  'change-kind': { title: 'Change the kind of this loop', at: ['survey'] },
  'change-settings': { title: 'Change settings', at: ['set'] },
  'choose-device': { title: 'Choose a device', at: ['match'] },
  'close-finding': { title: 'Close a finding with a reason', at: ['match'] },
  'drop-supply': { title: 'Remove a supply from the job', at: ['match', 'supply'] },
  'feed-from': { title: 'Feed from another supply', at: ['match', 'supply'] },
  'insert-device': { title: 'Put a relay or limiter into a line', at: ['match'] },
  'join-ports': { title: 'Join two ports by hand', at: ['match'] },
  'keep-note': { title: 'Write a note to the log', at: [] },
  'keep-run': { title: 'Keep a simulated run', at: ['try'] },
  'key-values': { title: 'Write down what was keyed', at: ['set', 'keying'] },
  'lay-across': { title: 'Put a switch in parallel', at: ['wire', 'logic'] },
  'leave-supply': { title: 'Leave a supply', at: ['match', 'supply'] },
  'leave-test-out': { title: 'Leave a test out with a reason', at: ['prove'] },
  'make-test-after-all': { title: 'Make a test after all', at: ['prove'] },
  'note-changed-wires': { title: 'Note wires that changed', at: ['wire'] },
  'open-again': { title: 'Open a signed loop again', at: ['hand-over'] },
  'put-temporary': { title: 'Put something on the temporary list', at: ['set', 'keying'] },
  'remove-device': { title: 'Remove a device', at: ['match', 'all'] },
  'remove-run': { title: 'Remove a kept run', at: ['try', 'kept'] },
  'rename-loop': { title: 'Rename this loop', at: ['survey'] },
  'set-device-option': { title: 'Set a jumper or switch of a device', at: ['match', 'controller'] },
  'set-plant-value': { title: 'Change a value of the simulated plant', at: ['try', 'plant'] },
  sign: { title: 'Sign the hand-over', at: ['hand-over'] },
  'start-chain': { title: 'Take the chain of the proposal', at: ['survey', 'proposal'] },
  'take-readings': { title: 'Take a reading', at: ['prove'] },
  'tick-hand-over': { title: 'Tick what was handed over', at: ['hand-over'] },
  'tick-hazards': { title: 'Tick the hazards', at: ['survey', 'hurt'] },
  'tick-step': { title: 'Tick a step of the mechanical work', at: ['wire', 'places'] },
  'undo-temporary': { title: 'Take something off the temporary list', at: ['set', 'keying'] },
  'write-as-found': { title: 'Write down what was there', at: ['survey', 'found'] },
  'write-box': { title: 'Measure the box', at: ['wire', 'box'] },
  'write-complaint': { title: 'Write down the complaint', at: ['survey', 'found'] },
  'write-device': { title: 'Write about a device', at: ['match'] },
  'write-hand-over': { title: 'Write down whom to call', at: ['hand-over'] },
  'write-instrument': { title: 'Write about an instrument', at: ['prove', 'instruments'] },
  'write-job-details': { title: 'Change the job’s details', at: [] },
  'write-wire': { title: 'Land and test a wire', at: ['wire'] },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly at: readonly string[] }>>

/** What can be done in a loop, those of the step that is open first. */
export const actionEntries = (loop: string, name: string, here: string | undefined): readonly FindEntry[] =>
  Object.entries(actionPlaces)
    .filter(([, { at }]) => at.length > 0)
    .map(([id, { title, at }]): FindEntry => ({
      ...{ id: `action/${id}`, kind: 'action', what: title, where: name, loop, at },
      words: id.replaceAll('-', ' '),
    }))
    .sort((a, b) => Number(b.at[0] === here) - Number(a.at[0] === here))
