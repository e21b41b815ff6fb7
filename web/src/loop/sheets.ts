import { routes } from '@nachtigal/contract/api'

/** What can be printed or taken along of a loop or its job. `kept` ones are data, not paper. */
export const sheets = [
  {
    title: 'As-left sheet (PDF)',
    route: routes.asLeft,
    about: 'chain, values planned, found and left, tests, wires, what is open',
    kept: false,
  },
  {
    title: 'Test sheet (PDF)',
    route: routes.testSheet,
    about: 'every test with its steps, to be written on',
    kept: false,
  },
  {
    title: 'Safety steps (PDF)',
    route: routes.safetySheet,
    about: 'isolating, dead tests and first live in their order, to be written on',
    kept: false,
  },
  {
    title: 'Panel card (PDF)',
    route: routes.panelCard,
    about: 'small, to laminate: what may be turned, alarms, whom to call',
    kept: false,
  },
  {
    title: 'Owner\u2019s page (PDF)',
    route: routes.ownersPage,
    about: 'in plain words, for those who live with it',
    kept: false,
  },
  { title: 'Keying sheet (PDF)', route: routes.keyingPdf, about: 'keys, codes, planned, found, left', kept: false },
  { title: 'Wires (PDF)', route: routes.wiresPdf, about: 'terminal to terminal, with what was measured', kept: false },
  { title: 'Wiring picture (PDF)', route: routes.picture, about: 'made from the list, black on white', kept: false },
  { title: 'Labels (PDF)', route: routes.labels, about: 'one for each end of each wire', kept: false },
  { title: 'Wires (CSV)', route: routes.wiresCsv, about: 'for a table program', kept: true },
  { title: 'Log (CSV)', route: routes.logCsv, about: 'every change of the job, with its hash', kept: true },
  {
    title: 'Whole job (JSON)',
    route: routes.file,
    about: 'an open file: documents, devices, photos and log, for any bench',
    kept: true,
  },
] as const
