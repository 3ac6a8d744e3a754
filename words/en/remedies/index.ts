import add from './add'
import bend from './bend'
import calibrate from './calibrate'
import gripDown from './grip-down'
import strikeOut from './strike-out'
import swing from './swing'
import takeOut from './take-out'
import useAgain from './use-again'

/** What each remedy says: one file a kind, named like it. */
export const REMEDY_MESSAGES = {
  add,
  bend,
  calibrate,
  gripDown,
  strikeOut,
  swing,
  takeOut,
  useAgain,
}
