import { MODEL } from './constants'

/** Scatter of one clean ball of a stock shot that is as any other of the player, metres. */
export const usualScatterM = (spread: number, carryM: number): number => spread * (carryM + MODEL.spreadOffsetM)
