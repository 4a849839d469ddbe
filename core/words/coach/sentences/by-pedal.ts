import type { Coached } from '../../../coach'
import type { Sentences } from './row'

/** The pedal is stroked, and the circuit opened at a screw or a union. */
export const BY_PEDAL = {
  openPush: {
    cycle: [
      [
        'open',
        'Open the screw, a quarter turn to a half. The pedal is up.',
        'The screw is being opened. Keep your foot off the pedal until it is open.',
      ],
      [
        'down',
        'Pedal to the floor in one smooth, quick stroke, and keep it there.',
        'The pedal is going down: watch the hose, hand on the wrench.',
      ],
      [
        'shut',
        'Close the screw. The foot keeps the pedal on the floor until you say so.',
        'Keep the pedal on the floor: the screw is being closed.',
      ],
      [
        'up',
        'The screw is shut: let the pedal come up, all the way.',
        'The pedal is coming up. Leave the screw shut.',
      ],
    ],
  },
  crackedUnion: {
    cycle: [
      [
        'loosen',
        'Loosen the union under the cloth, half a turn. Eyes away from it; the pedal is up.',
        'The union is being loosened. Keep your foot off the pedal until it is loose.',
      ],
      [
        'down',
        'Pedal to the floor, slowly: it comes out into the cloth. Keep it there.',
        'The pedal is going down: hold the cloth over the union.',
      ],
      [
        'nip',
        'Nip the union up, counter-holding. The foot keeps the pedal on the floor until you say so.',
        'Keep the pedal on the floor: the union is being nipped up.',
      ],
      [
        'up',
        'The union is shut: let the pedal come up, all the way.',
        'The pedal is coming up. Leave the union shut.',
      ],
    ],
  },
  pumpHold: {
    cycle: [
      [
        'pump',
        'Full strokes, and stay down on the last. The screw is shut.',
        'The pedal is being pumped. Leave the screw shut.',
      ],
      [
        'hold',
        'Keep standing on it with a firm foot.',
        'The pedal is held: hand on the wrench, wait for “Open”.',
      ],
      [
        'open',
        'Open the screw a quarter turn: the foot keeps pressing, and it spurts.',
        'Keep standing on it: it will sink as the screw opens. Say “floor” when it is down.',
      ],
      [
        'shut',
        'Close the screw at “floor”, before anything comes back. The foot still presses.',
        'Stay on it, however far it has sunk: the screw is being closed.',
      ],
      [
        'up',
        'The screw is shut: take your foot off, all the way up.',
        'The foot comes off. Leave the screw shut.',
      ],
    ],
  },
  prop: {
    cycle: [
      ['walk', 'To the screw; the pedal is up.', 'He is on his way to the screw; the pedal is up.'],
      [
        'open',
        'Open the screw, a quarter turn to a half. Nothing holds the pedal: it is up.',
        'The screw is being opened; nothing holds the pedal.',
      ],
      [
        'walk',
        'To the pedal; the screw stays open.',
        'He is on his way to the pedal; the screw is open.',
      ],
      [
        'down',
        'Pedal down as far as the bar will hold it, and keep your foot on it.',
        'The pedal is going down for the bar.',
      ],
      [
        'bar',
        'Bar between pedal and seat. Ease your foot off: the bar must hold by itself.',
        'The bar goes in behind the pedal.',
      ],
      [
        'walk',
        'To the screw. The bar holds the pedal.',
        'He is on his way to the screw; the bar holds the pedal.',
      ],
      [
        'shut',
        'Close the screw. The bar keeps the pedal down.',
        'The screw is being closed; nobody touches the bar.',
      ],
      [
        'walk',
        'To the pedal. The screw is shut, the bar holds.',
        'He is on his way to the pedal; screw shut, bar in.',
      ],
      [
        'remove',
        'Foot on the pedal first, then take the bar out. Keep it down.',
        'The bar comes out; a foot is on the pedal.',
      ],
      [
        'up',
        'The bar is out and the screw shut: let the pedal come up.',
        'The pedal comes up from the bar.',
      ],
    ],
  },
  submerged: {
    before: [
      [
        'open',
        'Open the screw a quarter turn and leave it. The hose end must stay under fluid from now on.',
        'The screw is being opened and stays open; no stroke yet.',
      ],
    ],
    cycle: [
      [
        'down',
        'Pedal down, smoothly. The screw stays open, the hose end under fluid.',
        'The pedal goes down. Look that the hose end is under.',
      ],
      [
        'up',
        'Pedal up, slowly: a part comes back through the hose.',
        'The pedal comes up: the hose end must stay under.',
      ],
    ],
    after: [
      [
        'shut',
        'Close the screw; the pedal is up and stays up.',
        'The screw is being closed. No more strokes.',
      ],
    ],
  },
  checkValve: {
    before: [
      [
        'open',
        'Open the screw a quarter turn and leave it: the valve keeps the fluid from coming back.',
        'The screw is being opened and stays open for the valve hose; no stroke yet.',
      ],
    ],
    cycle: [
      [
        'down',
        'Pedal down, smoothly. The valve lets it out.',
        'The pedal goes down. Watch the valve and the screw’s thread.',
      ],
      [
        'up',
        'Pedal up, slowly: the valve must hold.',
        'The pedal comes up: nothing may come back past the valve.',
      ],
    ],
    after: [
      [
        'shut',
        'Close the screw behind the valve hose; the pedal is up.',
        'The screw is being closed behind the valve hose. No more strokes.',
      ],
    ],
  },
  masterPrimed: {
    cycle: [
      [
        'loosen',
        'Loosen the union at the master’s outlet under the cloth. Eyes away; the pedal is up.',
        'The union at the master is being loosened. Keep your foot off the pedal.',
      ],
      [
        'down',
        'Pedal down slowly, as far as it goes. It may send nothing at first. Keep it there.',
        'The pedal is going down: look for fluid at the master’s outlet.',
      ],
      [
        'nip',
        'Nip the union at the master up; the foot stays down until you say so.',
        'Stay down: the union at the master is being nipped up.',
      ],
      [
        'up',
        'The outlet is shut: let the pedal come up, by hand if it has to be.',
        'The pedal comes up. Leave the outlet shut.',
      ],
    ],
  },
} satisfies Partial<Record<Coached, Sentences>>
