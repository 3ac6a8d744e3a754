/** How a simulated monitor speaks to the open door: nothing else of the application is known to it. */
import type { Dice } from './dice'

export type MonitorShot = Record<string, string | number | null>
export interface Asked {
  club: string
  swing: string
  loft_deg: number
  share: number
}

/**
 * What a device can be like. A clock that is off, balls kept back and sent late, twice, in the wrong order, or wrong.
 */
export const TEMPERS = {
  steady: { misreads: 0.015, lost: 0, late: 0, twice: 0, nonsense: 0, away: 0, clockMs: 0 },
  erratic: { misreads: 0.08, lost: 0.08, late: 0.15, twice: 0.05, nonsense: 0, away: 0.04, clockMs: 40_000 },
  broken: { misreads: 0.4, lost: 0.1, late: 0.25, twice: 0.25, nonsense: 0.08, away: 0.06, clockMs: -3 * 3_600_000 },
} as const
export type Temper = keyof typeof TEMPERS

export type LinkOutcome =
  | { ok: true; taken: number; asked: Asked | null }
  | { ok: false; status: number; words: string; retryS: number | null }

/** One request. A failure to reach the server is an outcome too: status 0. */
export async function post(
  to: string,
  token: string,
  shots: readonly MonitorShot[],
  clockMs: number,
): Promise<LinkOutcome> {
  try {
    const reply = await fetch(new URL('/api/ingest/shots', to), {
      method: 'POST',
      body: JSON.stringify(shots),
      headers: {
        'authorization': `Bearer ${token}`,
        'content-type': 'application/json',
        'date': new Date(Date.now() + clockMs).toUTCString(),
      },
    })
    const body = (await reply.json()) as { taken?: string[]; asked?: Asked | null; message?: string }
    if (reply.status === 202) return { ok: true, taken: body.taken!.length, asked: body.asked ?? null }
    return {
      ok: false,
      status: reply.status,
      words: body.message ?? reply.statusText,
      retryS: Number(reply.headers.get('retry-after')) || null,
    }
  } catch (error) {
    return { ok: false, status: 0, words: (error as Error).message, retryS: null }
  }
}

/** Refused for good: sending the same again is no use. */
export const isRefused = (outcome: LinkOutcome) => !outcome.ok && [409, 413, 422].includes(outcome.status)

/**
 * What goes out now, of the balls kept back and the new one, and what is kept for later.
 * @param temper what the device is like
 */
export function lotFor(
  kept: readonly MonitorShot[],
  shot: MonitorShot | null,
  temper: Temper,
  dice: Dice,
): { out: MonitorShot[]; kept: MonitorShot[] } {
  const { lost, late, twice, nonsense } = TEMPERS[temper]
  if (!shot || dice.uniform() < lost) return { out: [...kept], kept: [] }
  const sent = dice.uniform() < nonsense ? { ...shot, spin_rpm: -5 } : shot
  if (dice.uniform() < late) return { out: [], kept: [...kept, sent] }
  // The newest first: what was kept back comes behind it, out of order.
  return { out: [sent, ...(dice.uniform() < twice ? [sent] : []), ...kept], kept: [] }
}
