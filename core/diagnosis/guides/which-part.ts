import type { Guide } from './guide'

/** Which part it is. */
export const WHICH_PART: readonly Guide[] = [
  {
    id: 'which',
    label: 'Master, slave or hose',
    tells: 'Which of the three, without opening anything.',
    needs: ['helper', 'pedal', 'underneath'],
    only: 'external',
    caution: 'Nobody’s hands at the fork while the pedal moves.',
    steps: [
      {
        id: 'hose',
        say: 'A helper presses and holds. Fingers round the hose: does it grow?',
        ask: 'finding',
        finding: 'hoseSwells',
        present: {
          words: 'The hose swells: renew it before judging the rest.',
          points: ['hoseSwells'],
        },
        absent: 'sink',
      },
      {
        id: 'sink',
        say: 'Hold for a minute: how far does the pad sink?',
        ask: 'reading',
        reading: 'sink',
        over: 2,
        much: 'boot',
        little: 'stroke',
      },
      {
        id: 'boot',
        say: 'It sinks. Ten strokes: is the boot wet again?',
        first: 'wash',
        ask: 'finding',
        finding: 'bootWetAgain',
        present: { words: 'The slave.', points: ['slaveLeak'] },
        absent: 'rodEnd',
      },
      {
        id: 'rodEnd',
        say: 'Rod end of the master: damp?',
        ask: 'finding',
        finding: 'rodEndDamp',
        present: { words: 'The master, at its rear seal.', points: ['masterRearLeak'] },
        absent: { words: 'Dry at both ends: the master, inside.', points: ['masterBypass'] },
      },
      {
        id: 'stroke',
        say: 'It holds. One called stroke: how does the rod come back?',
        ask: 'finding',
        finding: 'rodCreepsBack',
        present: {
          words: 'Held back: the slave sticks, or the hose is closed inside.',
          points: ['slaveSticks', 'hoseClosed'],
        },
        absent: {
          words: 'All three do their work: air, rod or mechanics.',
          points: ['airFromWork', 'rodTooShort', 'discDrags'],
        },
      },
    ],
  },
  {
    id: 'pushBack',
    label: 'Slave pushed back, bleeder shut and then open',
    tells: 'A shut way home from a seized piston.',
    needs: ['underneath'],
    only: 'external',
    caution:
      'Nobody at the pedal while hands are at the fork. Fluid comes out of the screw: glasses on.',
    steps: [
      {
        id: 'shut',
        say: 'Pedal up, bleeder shut: push the rod back by hand.',
        ask: 'finding',
        finding: 'pushBackStiff',
        present: 'open',
        absent: { words: 'It goes home: port open, piston free.', points: [] },
      },
      {
        id: 'open',
        say: 'Bleeder open, hose in a bottle: push again. Does it still not go?',
        ask: 'finding',
        finding: 'seizedOpen',
        present: { words: 'Piston seized, or the fork binds.', points: ['slaveSticks', 'guideDry'] },
        absent: 'home',
      },
      {
        id: 'home',
        say: 'So it goes only with the bleeder open?',
        ask: 'finding',
        finding: 'wayHomeShut',
        present: 'rod',
        absent: { words: 'It goes either way after all.', points: [] },
      },
      {
        id: 'rod',
        say: 'The way home is shut. Is there play at the master’s rod, pedal up?',
        ask: 'finding',
        finding: 'rodTight',
        present: {
          words: 'Rod too long: it covers the port. Shorten it first.',
          points: ['rodTooLong'],
        },
        absent: {
          words: 'Rod free: port blocked, a clamp left on, or a hose closed inside.',
          points: ['portBlocked', 'hoseClosed'],
        },
      },
    ],
  },
  {
    id: 'lineShut',
    label: 'Line shut off, end by end',
    tells: 'Master, line or slave.',
    needs: ['circuitOpen', 'pedal'],
    caution: 'Tag the pedal while anything is open. A clamp on a pressure hose ruins it: plug the end.',
    steps: [
      {
        id: 'master',
        say: 'Plug the master’s outlet. Short strokes until the rod hardly moves: is the pedal soft, or does it sink?',
        ask: 'finding',
        finding: 'softPlugged',
        present: {
          words: 'The master: its cup, or air still in it.',
          points: ['masterBypass', 'airLowLevel'],
        },
        absent: 'line',
      },
      {
        id: 'line',
        say: 'Line back on, plug it before the slave. Soft or sinking now?',
        ask: 'finding',
        finding: 'softHoseShut',
        present: {
          words: 'Between master and plug: air, a hose that swells, a joint.',
          points: ['airFromWork', 'hoseSwells', 'unionDraws', 'outletLeak'],
        },
        absent: {
          words: 'The slave, its union, or the air in it.',
          points: ['slaveLeak', 'concentricLeak', 'slaveLeakInside', 'unionLeak', 'airFromWork'],
        },
      },
    ],
  },
  {
    id: 'loudest',
    label: 'Where is it loudest?',
    tells: 'Pedal, master, slave and fork from one another, with nothing taken off.',
    needs: ['helper', 'pedal', 'underneath'],
    only: 'external',
    caution: 'The helper works the pedal slowly, and only when called; nobody’s hands at rod or fork.',
    steps: [
      {
        id: 'pivot',
        say: 'Ear and hand at the pedal’s pivot while the helper works it. Loudest here?',
        ask: 'finding',
        finding: 'noiseAtPivot',
        present: {
          words: 'Pivot, bushes or return spring. Not the hydraulics.',
          points: ['pedalBushes', 'returnSpring', 'pinWorn'],
        },
        absent: 'master',
      },
      {
        id: 'master',
        say: 'A hand on the master’s body and its rod. Loudest here?',
        ask: 'finding',
        finding: 'noiseAtMaster',
        present: {
          words: 'The master squeaks, or the pin at its rod.',
          points: ['masterNoisy', 'pinWorn'],
        },
        absent: 'slave',
      },
      {
        id: 'slave',
        say: 'Underneath, ear at the slave’s body. Loudest here?',
        ask: 'finding',
        finding: 'noiseAtSlave',
        present: {
          words: 'The slave, or its rod in the cup: take it in the hand next.',
          points: ['slaveNoisy', 'slaveSticks', 'linkageWorn'],
        },
        absent: 'fork',
      },
      {
        id: 'fork',
        say: 'Ear at the housing, by the fork. Loudest here?',
        ask: 'finding',
        finding: 'noiseAtFork',
        present: {
          words: 'Fork, pivot, guide tube or bearing. Not the hydraulics.',
          points: ['guideDry', 'linkageWorn', 'forkSpring', 'bearingWorn'],
        },
        absent: { words: 'Nowhere by itself: trim, mat or shields.', points: [] },
      },
    ],
  },
  {
    id: 'noise',
    label: 'Noise or drag: slave in the hand, cap off',
    tells: 'The slave itself, and pedal and master from fork and clutch.',
    needs: ['slaveOff'],
    only: 'external',
    caution:
      'Pedal tagged while the slave hangs free. Before the pedal is moved, a strap that lets the piston run its usual stroke and no farther: past it, the piston flies out.',
    steps: [
      {
        id: 'tag',
        say: 'Is the pedal tagged, and nobody in the seat?',
        ask: 'finding',
        finding: 'slaveUntagged',
        present: { words: 'Tag it first. Nothing else while the slave hangs free.', points: [] },
        absent: 'hand',
      },
      {
        id: 'hand',
        say: 'Slave in the hand: push its rod right in and let its spring bring it out, some times. Only the slave moves. Does it squeak or drag?',
        ask: 'finding',
        finding: 'slaveNoisyInHand',
        present: 'piston',
        absent: 'pedal',
      },
      {
        id: 'piston',
        say: 'Then it is the slave. Does its piston stick on the way?',
        ask: 'finding',
        finding: 'pistonSticks',
        present: { words: 'The slave’s piston sticks.', points: ['slaveSticks'] },
        absent: {
          words: 'The slave’s seal is dry. Pedal and master are clear.',
          points: ['slaveNoisy'],
        },
      },
      {
        id: 'pedal',
        say: 'Strap the piston so that it may run its usual stroke, take the tag off, and move the pedal by hand over its whole travel. Is the noise or drag still there?',
        ask: 'finding',
        finding: 'dragSlaveOff',
        present: 'bushes',
        absent: 'fork',
      },
      {
        id: 'bushes',
        say: 'Then it is above. Move the pad sideways.',
        ask: 'finding',
        finding: 'pedalBushesLoose',
        present: { words: 'Pedal bushes. Not the hydraulics.', points: ['pedalBushes'] },
        absent: {
          words: 'Pin, return spring, or the master itself: oil pin and spring in turn and listen.',
          points: ['pinWorn', 'returnSpring', 'masterNoisy'],
        },
      },
      {
        id: 'fork',
        say: 'Move the fork by hand until the bearing meets the fingers.',
        ask: 'finding',
        finding: 'forkStiff',
        present: {
          words: 'Guide tube, pivot or bearing. Not the hydraulics.',
          points: ['guideDry', 'bearingWorn'],
        },
        absent: {
          words: 'Free by hand: look at disc, cover and pilot.',
          points: ['discDrags', 'pilotDrags'],
        },
      },
    ],
  },
]
