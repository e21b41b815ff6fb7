import { localTexts } from './localTexts'
import type { Words } from './words'
import type { CauseWords, VerdictWords } from './sentences'
import { alarmCauses, alarmVerdicts } from './tests/alarmWords'
import { backupCauses, backupVerdicts } from './tests/backupWords'
import { batteryCauses, batteryVerdicts } from './tests/batteryWords'
import { beforeCauses, beforeVerdicts } from './tests/beforeWords'
import { coolerCauses, coolerVerdicts } from './tests/coolerWords'
import { defrostCauses, defrostVerdicts } from './tests/defrostWords'
import { dialCauses, dialVerdicts } from './tests/dialWords'
import { driveCauses, driveVerdicts } from './tests/driveWords'
import { fanCauses, fanVerdicts } from './tests/fanWords'
import { limiterCauses, limiterVerdicts } from './tests/limiterWords'
import { minimumOffCauses, minimumOffVerdicts } from './tests/minimumOffWords'
import { offsetCauses, offsetVerdicts } from './tests/offsetWords'
import { permissiveCauses, permissiveVerdicts } from './tests/permissiveWords'
import { probeFaultCauses, probeFaultVerdicts } from './tests/probeFaultWords'
import { resetCauses, resetVerdicts } from './tests/resetWords'
import { restartCauses, restartVerdicts } from './tests/restartWords'
import { riseAndFallCauses, riseAndFallVerdicts } from './tests/riseAndFallWords'
import { stagesCauses, stagesVerdicts } from './tests/stagesWords'
import { substituteCauses, substituteVerdicts } from './tests/substituteWords'
import { sweepCauses, sweepVerdicts } from './tests/sweepWords'
import { timerCauses, timerVerdicts } from './tests/timerWords'
import { warmUpCauses, warmUpVerdicts } from './tests/warmUpWords'
import { anyTestVerdicts } from './tests/anyTestWords'

/** What is said of a test's readings, by code: `test.what`. Temperatures in °C, widths in K, times in s. */
const verdictWords = {
  ...anyTestVerdicts,
  ...alarmVerdicts,
  ...backupVerdicts,
  ...batteryVerdicts,
  ...beforeVerdicts,
  ...coolerVerdicts,
  ...defrostVerdicts,
  ...dialVerdicts,
  ...driveVerdicts,
  ...fanVerdicts,
  ...limiterVerdicts,
  ...minimumOffVerdicts,
  ...offsetVerdicts,
  ...permissiveVerdicts,
  ...probeFaultVerdicts,
  ...resetVerdicts,
  ...restartVerdicts,
  ...riseAndFallVerdicts,
  ...stagesVerdicts,
  ...substituteVerdicts,
  ...sweepVerdicts,
  ...timerVerdicts,
  ...warmUpVerdicts,
}

/** What may be behind it, by code. */
const causeWords = {
  ...alarmCauses,
  ...backupCauses,
  ...batteryCauses,
  ...beforeCauses,
  ...coolerCauses,
  ...defrostCauses,
  ...dialCauses,
  ...driveCauses,
  ...fanCauses,
  ...limiterCauses,
  ...minimumOffCauses,
  ...offsetCauses,
  ...permissiveCauses,
  ...probeFaultCauses,
  ...resetCauses,
  ...restartCauses,
  ...riseAndFallCauses,
  ...stagesCauses,
  ...substituteCauses,
  ...sweepCauses,
  ...timerCauses,
  ...warmUpCauses,
}

export type VerdictCode = keyof typeof verdictWords
export type CauseCode = keyof typeof causeWords
type Figures<W> = W extends (...given: infer P) => unknown ? (P extends [infer F, ...unknown[]] ? F : object) : never
export type FiguresOfVerdict<C extends VerdictCode> = Figures<(typeof verdictWords)[C]>
export type FiguresOfCause<C extends CauseCode> = Figures<(typeof causeWords)[C]>

/** The sentences of a verdict in the reader's units and practice. */
export function sayVerdict<C extends VerdictCode>(code: C, figures: FiguresOfVerdict<C>, words: Words): VerdictWords {
  return localTexts((verdictWords[code] as (f: FiguresOfVerdict<C>, w: Words) => VerdictWords)(figures, words), words)
}

/** The sentences of a cause in the reader's units and practice. */
export function sayCause<C extends CauseCode>(code: C, figures: FiguresOfCause<C>, words: Words): CauseWords {
  return localTexts((causeWords[code] as (f: FiguresOfCause<C>, w: Words) => CauseWords)(figures, words), words)
}
