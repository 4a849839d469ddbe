import type { Kind, Payloads } from '~~/core/journal'
import type { Filed } from '~/sync/pair'

const MM3_IN_ML = 1000
type ToFile = {
  [K in Kind]: {
    kind: K
    payload: Payloads[K]
    acts: { id: string; corrects?: string; withdraws?: string }
  }
}[Kind]

/** What a run files, as the journal keeps it. */
export function entryOf({ id, effect, of }: Filed): ToFile {
  const acts = { id }
  switch (effect.do) {
    case 'cycle':
      return { kind: 'bleedCycle', payload: effect.payload, acts }
    case 'correct':
      return { kind: 'bleedCycle', payload: effect.payload, acts: { ...acts, corrects: of! } }
    case 'withdraw':
      return { kind: 'withdrawal', payload: {}, acts: { ...acts, withdraws: of! } }
    case 'trick':
      return { kind: 'trick', payload: { trick: effect.trick }, acts }
    case 'topUp':
      return {
        kind: 'topUp',
        payload: effect.ml === undefined ? {} : { volume: MM3_IN_ML * effect.ml },
        acts,
      }
    case 'says': {
      const { says, mm } = effect
      return { kind: 'pedalSays', payload: { says, ...(mm !== undefined && { mm }) }, acts }
    }
    case 'travel':
      return {
        kind: 'measurement',
        payload: { reading: 'freeTravel', value: effect.mm, phase: 'working' },
        acts,
      }
    case 'putOn':
    case 'removed': {
      const { place } = effect
      return effect.do === 'putOn'
        ? { kind: 'putOn', payload: { item: effect.item, place }, acts }
        : { kind: 'removed', payload: { item: effect.item, place }, acts }
    }
    case 'takenOff':
    case 'refitted':
      return { kind: effect.do, payload: { of: of! }, acts }
    case 'stageProof':
      return { kind: 'stageProof', payload: { stage: effect.stage, travel: effect.mm }, acts }
  }
}
