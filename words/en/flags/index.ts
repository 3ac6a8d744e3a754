import believedWrong from './believed-wrong'
import crowded from './crowded'
import flyerProne from './flyer-prone'
import hole from './hole'
import loose from './loose'
import moved from './moved'
import noFloor from './no-floor'
import outOfOrder from './out-of-order'
import overlap from './overlap'
import shortBias from './short-bias'
import sideBias from './side-bias'
import stale from './stale'
import step from './step'
import thin from './thin'
import twoWays from './two-ways'
import unevenLofts from './uneven-lofts'
import weak from './weak'
import wide from './wide'

/** What each flag says, by its rule: one file a rule, named like it. */
export const FLAG_MESSAGES = {
  believedWrong,
  crowded,
  flyerProne,
  hole,
  loose,
  moved,
  noFloor,
  outOfOrder,
  overlap,
  shortBias,
  sideBias,
  stale,
  step,
  thin,
  twoWays,
  unevenLofts,
  weak,
  wide,
}
