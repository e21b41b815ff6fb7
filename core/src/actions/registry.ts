import type { AnyAction } from './action'
import { changeKind } from './changeKind'
import { chooseDevice } from './chooseDevice'
import { insertDeviceInto } from './insertDeviceInto'
import { removeDeviceFromChain } from './removeDeviceFromChain'
import { writeDevice } from './writeDevice'
import { setDeviceOption } from './setDeviceOption'
import { joinPortsByHand } from './joinPortsByHand'
import { feedFrom } from './feedFrom'
import { leaveSupplyHere } from './leaveSupplyHere'
import { dropSupplyFromJob } from './dropSupplyFromJob'
import { layAcross } from './layAcross'
import { carryOutRemedy } from './carryOutRemedy'
import { changeSettings } from './changeSettings'
import { startChain } from './startChain'
import { addInstrument } from './addInstrument'
import { answerByWay } from './answerByWay'
import { answerQuestions } from './answerQuestions'
import { answerStep } from './answerStep'
import { applyTestFix } from './applyTestFix'
import { beginTestAgain } from './beginTestAgain'
import { carryInstrument } from './carryInstrument'
import { closeFinding } from './closeFinding'
import { forgetChanges } from './forgetChanges'
import { keepNote } from './keepNote'
import { keepRun } from './keepRun'
import { keyValues } from './keyValues'
import { leaveTestOut } from './leaveTestOut'
import { makeTestAfterAll } from './makeTestAfterAll'
import { openAgain } from './openAgain'
import { putTemporary } from './putTemporary'
import { removeRun } from './removeRun'
import { renameLoop } from './renameLoop'
import { setPlantValue } from './setPlantValue'
import { signLoop } from './signLoop'
import { takeReadings } from './takeReadings'
import { tickHandover } from './tickHandover'
import { tickHazards } from './tickHazards'
import { tickStep } from './tickStep'
import { undoTemporary } from './undoTemporary'
import { writeBox } from './writeBox'
import { writeComplaint } from './writeComplaint'
import { writeFound } from './writeFound'
import { writeHandover } from './writeHandover'
import { writeInstrument } from './writeInstrument'
import { writeJobDetails } from './writeJobDetails'
import { writeRow } from './writeRow'

/** Everything that a person does to a loop or its job, in the order of its id. */
export const actions: readonly AnyAction[] = [
  addInstrument,
  answerByWay,
  answerQuestions,
  answerStep,
  applyTestFix,
  beginTestAgain,
  carryInstrument,
  closeFinding,
  forgetChanges,
  keepNote,
  keepRun,
  keyValues,
  leaveTestOut,
  makeTestAfterAll,
  openAgain,
  putTemporary,
  removeRun,
  renameLoop,
  setPlantValue,
  signLoop,
  takeReadings,
  tickHandover,
  tickHazards,
  tickStep,
  undoTemporary,
  writeBox,
  writeComplaint,
  writeFound,
  writeHandover,
  writeInstrument,
  writeJobDetails,
  writeRow,
  changeKind,
  chooseDevice,
  insertDeviceInto,
  removeDeviceFromChain,
  writeDevice,
  setDeviceOption,
  joinPortsByHand,
  feedFrom,
  leaveSupplyHere,
  dropSupplyFromJob,
  layAcross,
  carryOutRemedy,
  changeSettings,
  startChain,
].sort((a, b) => (a.id < b.id ? -1 : 1)) as unknown as readonly AnyAction[]

const byId = new Map(actions.map((action) => [action.id, action]))
if (byId.size !== actions.length) throw new Error('two actions share an id')

/** The action of an id; nothing where there is none. */
export const findAction = (id: string): AnyAction | undefined => byId.get(id)
