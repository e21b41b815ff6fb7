import { copyFolder, removeFolder, startServer, templates } from './server'

/** Makes the databases that tests begin with once; the copies are each test's own. */
export default async function globalSetup() {
  const clear = () => Object.values(templates).forEach(removeFolder)
  clear()
  await (await startServer(templates.empty)).stop()
  copyFolder(templates.empty, templates.demo)
  await (await startServer(templates.demo, { demo: true })).stop()
  return clear
}
