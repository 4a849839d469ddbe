import { choiceOf, inRange, objectOf, readCircuit, yesOrNo } from '../circuit'
import { CLIMATES } from './ageing'
import { judgeFluid, type FluidAnswer, type FluidQuestion } from './fluid'
import { FLUID_KINDS } from './kinds'
import { circuitVolume, FLUID_ACTS, neededFor } from './volume'

const FIELDS = [
  'inside',
  'adding',
  'wanted',
  'ageMonths',
  'climate',
  'water',
  'boiling',
  'container',
  'share',
  'shared',
  'need',
]
const MONTHS = { unit: 'months', min: 0, max: 1200 }

/** What the `fluid` verb is asked, read and answered. @throws InputError with the path of what is wrong. */
export function answerFluid(
  input: unknown,
): FluidAnswer & { volume?: { circuit: number; need: number } } {
  const given = objectOf(input, '', FIELDS)
  const question: FluidQuestion = {
    inside: choiceOf(given.inside, '/inside', FLUID_KINDS),
    adding: choiceOf(given.adding, '/adding', FLUID_KINDS),
  }
  const { wanted, ageMonths, climate, water, boiling, share, shared } = given
  if (wanted !== undefined) question.wanted = choiceOf(wanted, '/wanted', FLUID_KINDS)
  if (climate !== undefined) question.climate = choiceOf(climate, '/climate', CLIMATES)
  if (shared !== undefined) question.shared = yesOrNo(shared, '/shared')
  if (ageMonths !== undefined) {
    inRange(ageMonths, '/ageMonths', MONTHS, 'Age')
    question.ageMonths = ageMonths
  }
  if (water !== undefined) {
    inRange(water, '/water', { unit: '%', min: 0, max: 100 }, 'Water')
    question.water = water
  }
  if (boiling !== undefined) {
    inRange(boiling, '/boiling', { unit: '°C', min: 80, max: 320 }, 'Boiling point')
    question.boiling = boiling
  }
  if (share !== undefined) {
    inRange(share, '/share', { unit: '', min: 0, max: 1 }, 'Share')
    question.share = share
  }
  if (given.container !== undefined) {
    const container = objectOf(given.container, '/container', ['opened', 'months'])
    const { months = 0 } = container
    inRange(months, '/container/months', MONTHS, 'Months open')
    question.container = { opened: yesOrNo(container.opened, '/container/opened'), months }
  }
  const answer = judgeFluid(question)
  return given.need === undefined ? answer : { ...answer, volume: volumeOf(given.need) }
}

function volumeOf(input: unknown): { circuit: number; need: number } {
  const need = objectOf(input, '/need', ['act', 'circuit', 'slaveChamber', 'usable', 'container'])
  const { slaveChamber = 0, usable = 0, container } = need
  const act = choiceOf(need.act, '/need/act', FLUID_ACTS)
  inRange(slaveChamber, '/need/slaveChamber', { unit: 'mm', min: 0, max: 200 }, 'Slave chamber')
  inRange(usable, '/need/usable', { unit: 'mm³', min: 0, max: 5_000_000 }, 'Usable reservoir')
  const circuit = circuitVolume(readCircuit(need.circuit, '/need/circuit'), slaveChamber)
  const plain = neededFor(act, circuit, usable)
  if (container === undefined) return { circuit, need: plain }
  inRange(container, '/need/container', { unit: 'mm³', min: 1000, max: 100_000_000 }, 'Container')
  return { circuit, need: Math.ceil(plain / container) * container }
}
