import type { SurveyFigure } from '../kinds/asked'

/** Where a figure comes from, in a word: what counts first stands first. */
export const figureSources: Readonly<Record<SurveyFigure['source'], string>> = {
  measured: 'measured',
  nameplate: 'nameplate',
  answer: 'answered',
  chain: 'usual nameplate',
  estimate: 'estimated',
}
