import type { Call, HeldBy } from '../../bleed/methods'

/** How the pedal stands: up, held, lying on the floor, or nobody knows for sure. */
export type Stands = 'up' | HeldBy | 'unknown'
type Said = readonly [does: string, other: string]

/**
 * A call that puts something right before the method goes on, or at a stop: by how the pedal really stands, for it stands otherwise than the
 * method would have it.
 */
export const RIGHT_SENTENCES: Partial<Record<Call, Partial<Record<Stands, Said>>>> = {
  shut: {
    up: [
      'Close the screw first, or feel that it is shut. Nobody presses the pedal.',
      'The screw is being closed first. Do not press the pedal.',
    ],
    foot: [
      'Close the screw first. The foot stays where it is until you say so.',
      'Do not let the pedal rise: the screw is being closed first.',
    ],
    bar: [
      'Close the screw first. The bar stays in.',
      'The screw is being closed first. Leave the bar in.',
    ],
    wedge: [
      'Close the screw first. The wedge stays in.',
      'The screw is being closed first. Leave the wedge in.',
    ],
    nobody: [
      'Close the screw first. The pedal stays on the floor.',
      'The screw is being closed first. Leave the pedal on the floor.',
    ],
    unknown: [
      'Close the screw first, or feel that it is shut. Whoever is on the pedal keeps it as it is.',
      'Keep the pedal exactly as it is: the screw is being closed first.',
    ],
  },
  nip: {
    up: [
      'Nip the union up first, or feel that it is shut. Nobody presses the pedal.',
      'The union is being nipped up first. Do not press the pedal.',
    ],
    foot: [
      'Nip the union up first. The foot stays where it is until you say so.',
      'Do not let the pedal rise: the union is being nipped up first.',
    ],
    unknown: [
      'Nip the union up first, or feel that it is shut. Whoever is on the pedal keeps it as it is.',
      'Keep the pedal exactly as it is: the union is being nipped up first.',
    ],
  },
  up: {
    foot: [
      'The pedal is still down, and the screw is shut: let it come up.',
      'The pedal is still down: it comes up before the next. Leave the screw shut.',
    ],
    unknown: [
      'See that the pedal is up, all the way: nobody has said so for sure.',
      'The pedal is being looked at: it has to be up.',
    ],
    nobody: [
      'The pedal lies on the floor: lift it, the screw is shut.',
      'The pedal is being lifted off the floor. Leave the screw shut.',
    ],
  },
  remove: {
    bar: [
      'The bar is still in. Foot on the pedal first, then the bar out.',
      'The bar comes out before the next; a foot is on the pedal.',
    ],
    wedge: [
      'The wedge is still in. Foot on the pedal first, then the wedge out.',
      'The wedge comes out before the next; a foot is on the pedal.',
    ],
    unknown: [
      'See that nothing holds the pedal down: foot on it first, then out with bar or wedge.',
      'Whatever holds the pedal down comes out, a foot on it.',
    ],
  },
  open: {
    up: [
      'Open the screw again: it was closed meanwhile. The pedal is up.',
      'The screw is being opened again. Keep off the pedal until it is.',
    ],
  },
  apply: {
    up: [
      'It was let off meanwhile: bring it up to its gauge again, the screw shut.',
      'Pressure or vacuum is brought up again. Leave the screw to the one who is at it.',
    ],
  },
  vent: {
    up: [
      'Before the reservoir is opened: let the pressure off slowly.',
      'The pressure is let off before the reservoir is opened.',
    ],
  },
}
/** Where it is stopped and something is open: what waits behind the call. */
export const STOPPED_FIRST = {
  paused: 'You stopped:',
  low: 'The reservoir is low:',
  high: 'The reservoir is full:',
  asks: 'Before you measure:',
  unusual: 'Before it goes on:',
} as const
