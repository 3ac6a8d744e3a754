/**
 * The functions whose last figures differ from engine to engine (Node 20 and Chromium 156: one logarithm in forty, one
 * exponential in ten). These are written in plain arithmetic, which is the same everywhere, so that the browser and the
 * server come to the same chart, to the byte. An exponential takes 1.6 times as long, a whole fit a few hundredths more.
 * Square roots, hypotenuses and squares are exact in both and stay the engine's own.
 */
export { default as asin } from '@stdlib/math-base-special-asin'
export { default as atan2 } from '@stdlib/math-base-special-atan2'
export { default as cos } from '@stdlib/math-base-special-cos'
export { default as exp } from '@stdlib/math-base-special-exp'
export { default as ln } from '@stdlib/math-base-special-ln'
export { default as pow } from '@stdlib/math-base-special-pow'
export { default as sin } from '@stdlib/math-base-special-sin'
