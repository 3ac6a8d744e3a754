import type { Bag } from '../../core/bag/bag'
import type { Shot } from '../../core/shot/shot'
import type { SchoolId } from '../../core/swing/schools'
import { yardsToMetres } from '../../core/units'

/** A bag for a test: labels are ids. */
export function bagOf(lofts: Record<string, number>, swings: string[], school: SchoolId = 'clock', struckOut: [string, string][] = []): Bag {
  return {
    clubs: Object.entries(lofts).map(([label, loftDeg]) => ({ id: label, label, name: '', loftDeg, retired: false })),
    scale: { school, rungs: swings.map(label => ({ id: label, label, cue: '', flight: 'normal', retired: false })) },
    struckOut: struckOut.map(([clubId, rungId]) => ({ clubId, rungId })),
  }
}

/** Balls of one stock shot, carries in yards, a minute apart. */
export function balls(club: string, swing: string, carriesYd: number[], more: Partial<Shot> = {}): Shot[] {
  return carriesYd.map((yd, i) => ({
    id: `${club} ${swing} ${i} ${more.leftOut ?? ''}`, sessionId: 's', clubId: club, rungId: swing, carryM: yardsToMetres(yd), method: 'monitor',
    balls: 1, hitAtMs: Date.UTC(2026, 4, 4) + i * 60_000, leftOut: null, ...more,
  }))
}
