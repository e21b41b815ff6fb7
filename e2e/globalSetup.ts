import { removeFolder, startServer, template } from './server'

/** Makes the empty database once; the copies are each test's own. */
export default async function globalSetup() {
  removeFolder(template)
  const server = await startServer(template)
  await server.stop()
  return () => removeFolder(template)
}
