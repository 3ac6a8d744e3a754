import { MODEL } from './constants'
import { normalCdf, normalDensity } from './normal'

/** One shot's say in the fit: how likely it is clean, and its precision p and p·y, as they stand now. */
export interface Site {
  clean: number
  precision: number
  weighted: number
}

const LEAST_CAVITY = 1e-9
const CLEAN_SHARE = 1 - MODEL.mishitShare - MODEL.flyerShare - MODEL.misreadShare

/**
 * How likely a ball is clean, a mishit, a flyer or a misread, given what the others say of its cell.
 * @param e ln carry less what is expected of it; @param v variance of that difference for a clean ball
 */
export function kindsOfShot(e: number, v: number) {
  const { clean, mishit, flyer, misread } = densities(e, v)
  // So that a shot beyond all four still divides.
  const sum = clean + mishit + flyer + misread + 1e-300
  return { clean: clean / sum, mishit: mishit / sum, flyer: flyer / sum, misread: misread / sum }
}

/** Density of a ball that may be any of the four. */
export function kindsDensity(e: number, v: number): number {
  const { clean, mishit, flyer, misread } = densities(e, v)
  return clean + mishit + flyer + misread + 1e-300
}

function densities(e: number, v: number) {
  const s = Math.sqrt(v)
  const clean = CLEAN_SHARE * normalDensity(e, v)
  const mishit = MODEL.mishitShare * (normalCdf((e - MODEL.mishitFrom) / s) - normalCdf((e - MODEL.mishitTo) / s)) / (MODEL.mishitTo - MODEL.mishitFrom)
  const flyer = MODEL.flyerShare * (normalCdf((e - MODEL.flyerFrom) / s) - normalCdf((e - MODEL.flyerTo) / s)) / (MODEL.flyerTo - MODEL.flyerFrom)
  const misread = MODEL.misreadShare * normalDensity(e, v + MODEL.misreadSd ** 2)
  return { clean, mishit, flyer, misread }
}

/**
 * Moves a shot's site half the way to what the other shots of its cell make of it: expectation propagation by moment
 * matching (Minka, UAI 2001). A doubtful ball widens the interval rather than being counted a little.
 * @param y ln carry; @param noise its variance if clean; @param mean, variance of the cell that day, this shot included
 */
export function updateSite(site: Site, y: number, noise: number, mean: number, variance: number): void {
  const cavityVariance = 1 / Math.max(LEAST_CAVITY, 1 / variance - site.precision)
  const cavityMean = cavityVariance * (mean / variance - site.weighted)
  const { clean } = kindsOfShot(y - cavityMean, cavityVariance + noise)
  const cleanVariance = 1 / (1 / cavityVariance + 1 / noise)
  const cleanMean = cleanVariance * (cavityMean / cavityVariance + y / noise)
  const tiltedMean = clean * cleanMean + (1 - clean) * cavityMean
  const tiltedVariance = Math.min(0.9999 * cavityVariance,
    clean * cleanVariance + (1 - clean) * cavityVariance + clean * (1 - clean) * (cleanMean - cavityMean) ** 2)
  site.precision = 0.5 * site.precision + 0.5 * (1 / tiltedVariance - 1 / cavityVariance)
  site.weighted = 0.5 * site.weighted + 0.5 * (tiltedMean / tiltedVariance - cavityMean / cavityVariance)
  site.clean = 0.5 * site.clean + 0.5 * clean
}
