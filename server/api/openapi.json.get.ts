import { version } from '../../package.json'
import { openApi } from '../openapi/document'

let made: ReturnType<typeof openApi> | undefined

/** What this server answers, for whoever writes a program. */
export default defineEventHandler(() => (made ??= openApi(version)))
