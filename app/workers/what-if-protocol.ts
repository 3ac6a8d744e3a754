import type { CalibrationOptions } from '#core/chart/calibration'
import type { PlayerShots } from '#core/chart/grid-fit'
import type { Finding } from '#core/gaps/flag'
import type { Remedy } from '#core/what-if/remedies'
import type { Judging, Scene } from '#core/what-if/scene'
import type { Progress, SearchResult } from '#core/what-if/search'
import type { SearchLimits, WhatIf } from '#core/what-if/thought-of'

/** What the page tells the worker. `open` first; every other ask is about the player that was opened. */
export type WhatIfAsk
  = | { do: 'open', turn: number, player: PlayerShots, options: CalibrationOptions, judging: Omit<Judging, 'plain' | 'targetsM'> }
    | { do: 'scene', turn: number, whatIf: WhatIf }
    | { do: 'beside', turn: number, whatIf: WhatIf }
    | { do: 'page', turn: number, whatIf: WhatIf }
    | { do: 'help', turn: number, finding: Finding }
    | { do: 'search', turn: number, limits: SearchLimits }
    | { do: 'stop' }

export type WhatIfAnswer
  = | { did: 'open', turn: number, today: Scene, newRungs: { id: string, label: string, fraction: number }[] }
    | { did: 'scene', turn: number, scene: Scene }
    | { did: 'beside', turn: number, scene: Scene }
    | { did: 'page', turn: number, scene: Scene }
    | { did: 'help', turn: number, remedies: Remedy[] }
    | { did: 'progress', turn: number, progress: Progress }
    | { did: 'search', turn: number, result: SearchResult, seconds: number }
    | { did: 'fail', turn: number, reason: string }
