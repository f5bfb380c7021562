import { object, string } from 'yup'
import { ParameterError } from '@wobrin/core/base/errors'
import { StartProblem } from '../../services/start'

const schema = object({ name: string().max(200).required('Say which backup.') }).noUnknown()

/** Puts a backup back; everything that was entered since is kept as a backup of its own. */
export default ownApi(async (event, { backups }) => {
  const { name } = await checkedBody(event, schema)
  if (!backups.list().some(b => b.name === name))
    throw new ParameterError('there is no such backup', 'one of the list', { field: 'name' })
  try {
    return await putBack(name)
  } catch (error) {
    if (!(error instanceof StartProblem)) throw error
    throw new ParameterError(error.message.replace(/\.$/, ''), 'a sound backup of this version', { field: 'name' })
  }
})
