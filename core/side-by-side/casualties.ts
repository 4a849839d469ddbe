import type { Installation, JointPlace } from '../installation'
import { jointAt } from '../installation'
import type { PartKind } from '../shelf'
import type { OperationId } from '../work'

/** What often breaks, or is cut on purpose, while something else is done: ordered beforehand. */
export interface Casualty {
  id: string
  label: string
  kind: PartKind
  /** Operations in which it goes. */
  during: readonly OperationId[]
  /** Cut or drilled because there is no other way. */
  onPurpose?: true
  reason: string
  /** Only where the vehicle is so. */
  where?: (installation: Installation) => boolean
}

const CYLINDERS: readonly OperationId[] = ['master', 'slave', 'concentric', 'everythingRubber']
const seatAt = (installation: Installation, at: JointPlace): string[] => {
  const { a, b } = jointAt(installation, at)
  return [a?.seat, b?.seat].filter((one) => one !== undefined)
}
const seals =
  (...wanted: string[]) =>
  (installation: Installation): boolean =>
    (['masterOutlet', 'slavePort'] as const).some((at) =>
      seatAt(installation, at).some((one) => wanted.includes(one)),
    )

/** Judgement, each with its reason. */
export const CASUALTIES: readonly Casualty[] = [
  {
    id: 'plasticClips',
    label: 'clips of the line',
    kind: 'clip',
    during: ['master', 'slave', 'hose', 'pipe', 'concentric', 'everythingRubber'],
    reason: 'Plastic that is some years old breaks at the first bend.',
  },
  {
    id: 'nylonLine',
    label: 'plastic line',
    kind: 'pipe',
    during: ['master', 'slave', 'concentric', 'hose', 'everythingRubber'],
    reason: 'Old nylon cracks at its end when it is moved.',
    where: ({ circuit }) => circuit.lines.some(({ kind }) => kind === 'nylon'),
  },
  {
    id: 'coupling',
    label: 'quick connector with its seal',
    kind: 'adapter',
    during: CYLINDERS,
    reason: 'Corrodes together in the wet; its collar breaks before it lets go.',
    where: seals('quickConnector'),
  },
  {
    id: 'rollPins',
    label: 'roll pins',
    kind: 'rollPin',
    during: ['master', 'slave', 'concentric', 'hose', 'pipe'],
    reason: 'Driven out once, they hold no more.',
    where: seals('sealAndRollPin'),
  },
  {
    id: 'slaveBoot',
    label: 'slave’s boot',
    kind: 'boot',
    during: ['fork', 'linkage', 'clutch'],
    reason: 'Hardened rubber tears when the rod is drawn.',
    where: ({ circuit }) => circuit.slave.type === 'external',
  },
  {
    id: 'feedHose',
    label: 'feed hose',
    kind: 'feed',
    during: ['master', 'everythingRubber'],
    onPurpose: true,
    reason: 'Set hard on its barb: it is slit to spare the barb.',
  },
  {
    id: 'oldPipe',
    label: 'old pipe',
    kind: 'pipe',
    during: ['pipe'],
    onPurpose: true,
    reason: 'Cut beside its nuts, so that a six-sided socket goes over them.',
  },
  {
    id: 'pipeNut',
    label: 'nut of the pipe',
    kind: 'nut',
    during: ['master', 'slave', 'hose', 'pipe'],
    reason: 'Rusted to the pipe it rounds, or twists the pipe with it.',
    where: ({ circuit }) => circuit.lines.some(({ kind }) => kind === 'steel'),
  },
  {
    id: 'bleedScrew',
    label: 'bleed screw',
    kind: 'bleedScrew',
    during: ['bleed', 'flush', 'hose', 'pipe', 'unions', 'feed'],
    reason: 'Shears off or rounds where it has not been moved for years.',
    where: ({ slave }) => slave.bleeder.kind === 'screw',
  },
  {
    id: 'cotter',
    label: 'cotter pin or spring clip of the clevis',
    kind: 'pin',
    during: ['master', 'pin', 'pedal', 'everythingRubber'],
    reason: 'Bent once, never again; springs away in the footwell.',
  },
]

/** What is likely to go with these operations on this vehicle. */
export function casualtiesOf(
  operations: readonly OperationId[],
  installation: Installation,
): Casualty[] {
  return CASUALTIES.filter(
    ({ during, where }) =>
      operations.some((one) => during.includes(one)) && (where?.(installation) ?? true),
  )
}
export const casualtyById = (id: string): Casualty | undefined =>
  CASUALTIES.find((one) => one.id === id)
