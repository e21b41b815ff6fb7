import { array, mixed, string } from 'yup'
import { filledText, finite, id, instant, shape, text } from './parts'

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/

/** An id that a client made. */
const uuid = () => string().matches(UUID, '${path} must be a UUID in small letters')

/** A command as it comes over the wire. What it changes is checked against the document's schema after it is applied. */
export const commandSchema = shape({
  id: uuid().required(),
  jobId: uuid().required(),
  loopId: uuid(),
  baseRevision: finite(0, 1e12).required(),
  at: instant().required(),
  by: filledText(80),
  why: text(1000),
  action: text(60),
  undoes: uuid(),
  change: array()
    .required()
    .min(1, '${path} is empty')
    .max(200, '${path} holds more than 200 changes')
    .of(
      shape({
        document: uuid().required(),
        path: array().of(id().required()).max(12).defined(),
        from: mixed().nullable().defined('${path} is missing'),
        to: mixed().nullable().defined('${path} is missing'),
      }),
    ),
})
