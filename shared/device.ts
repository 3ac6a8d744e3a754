import type { SessionRecord, ShotRecord } from './schemas/session'

export interface Device {
  id: string
  name: string
  createdAtMs: number
  /** When it last said anything, by the server's clock; null when it never has. */
  heardAtMs: number | null
  /** The session that its balls go to now, or null. */
  sessionId: string | null
}

/** The new device with its token, which is shown this once. */
export type MadeDevice = Device & { token: string }

/** What the door answers. */
export interface TakenShots {
  taken: string[]
  /** What is chosen on the screen, for devices that show it; null when no session listens. */
  asked: { club: string; swing: string; loft_deg: number; share: number } | null
}

/** What the open session hears. */
export interface LiveMessage {
  /** The device that was heard; null when it was another screen. */
  deviceId: string | null
  shots: ShotRecord[]
  session?: SessionRecord
}

/** A ball as a device read it, whoever hit it and with what. */
export type DeviceBall = Pick<ShotRecord, 'carryM' | 'balls' | 'method' | 'strike' | 'readings' | 'taken'>

/** Balls of a device that found no player its coach sees. */
export interface DeviceBallsWaiting {
  waiting: number
  /** Oldest first, the first page of them. */
  balls: { id: string; device: string; hitAtMs: number; carryM: number }[]
}
