/** What every stage of a player stands on, as one file to fetch. */
export { usePlayerRecord } from '~/stores/record'
export { useCalibration } from '~/stores/calibration'
