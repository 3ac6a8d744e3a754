import type { StockShot } from '../bag/bag'
import type { Level } from '../level'
import type { CurveWay, Hand, NaturalShape } from '../shot/hand'

/** What is looked at after a ball. */
export const MEASURES = ['leave', 'length', 'side', 'eye', 'speed', 'curve', 'call', 'launch'] as const
export type Measure = (typeof MEASURES)[number]

/** How the balls of a go are summed up. */
export const SCORES = ['strokes', 'points', 'share', 'balls', 'error'] as const
export type ScoreKind = (typeof SCORES)[number]

/** In what order things are asked: each its balls in turn, mixed and never twice running, or some good ones first. */
export const DRILL_ORDERS = ['in turn', 'mixed', 'good first, then mixed'] as const
export type DrillOrder = (typeof DRILL_ORDERS)[number]

/** Flights asked for. */
export const ASKED_FLIGHTS = ['low', 'high'] as const

/** One thing that is asked for. Metres. */
export interface DrillTask extends Partial<StockShot> {
  targetM?: number
  /** A circle about the target that is to be hit. */
  circleM?: number
  flight?: (typeof ASKED_FLIGHTS)[number]
  curve?: CurveWay
  speedMs?: number
}

/** When a go ends by itself. */
export type DrillStop =
  /** Every task has had its balls. */
  | { kind: 'balls' }
  /** So many good ones one after the other, or the balls are gone. */
  | { kind: 'running'; good: number }

/** A drill as data: what is asked, in what order, what is near enough, how it is scored. */
export interface DrillSpec {
  /** A drill of the registry, or the one whose parts a coach's own was built from. */
  drill: string
  tasks: DrillTask[]
  order: DrillOrder
  /** Balls at each task; in mixed order so many rounds of all. */
  ballsEach: number
  /** Of the whole go, where it is not so many each. */
  balls?: number
  /** Good ones at each before it goes on, where the order asks for it. */
  goodEach?: number
  stop: DrillStop
  measure: Measure
  score: ScoreKind
  /** Near enough, metres; missing takes what the level's middle ball does there. */
  withinM?: number
  /** The ball must start below this, degrees. */
  launchMostDeg?: number
  /** The hand it is played with, where curves are asked for; missing is the right one. */
  hand?: Hand
  /** How the player's ordinary balls curved when it began. */
  natural?: NaturalShape
  /** It is measured where it stops; else where it pitches. */
  toRest?: true
  level: Level
  /** What is drawn is drawn from it: the same go asks for the same things on every device. */
  seed: number
}

/** What a player says before it is seen. */
export const CALLS = ['short', 'good', 'long'] as const
export type Call = (typeof CALLS)[number]

/** Why a ball is shown apart. */
export const APART = ['flyer', 'not the shot'] as const

/** One ball of a go: what came of it, as far as it was seen. Metres, right positive. */
export interface DrillBall extends Partial<StockShot> {
  id: string
  /** Place of its task. */
  task: number
  atMs: number
  /** Where it pitched, or where it stopped if the drill goes by that. */
  endM?: number
  sideM?: number
  /** In or out, by eye. */
  good?: boolean
  speedMs?: number
  launchDeg?: number
  spinRpm?: number
  /** Curve as it was seen or measured: −2 far to the left, 2 far to the right. */
  curve?: number
  call?: Call
  /** Shown apart: not scored. */
  apart?: (typeof APART)[number]
  /** The routine before it was kept. */
  routine?: boolean
}
