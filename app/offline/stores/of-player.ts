/** What every stage of a player stands on, as one file to fetch. */
export { usePlayerRecord } from '~/offline/stores/record'
export { useCalibration } from '~/calculation/calibration'
