import { BEND_CAUTION } from '../what-if'

/** What to do, in a sentence. */
export default `Bend the {club} from {fromDeg} to {toDeg}. ${BEND_CAUTION}`
