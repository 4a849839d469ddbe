import { bleeder, calls, LOOSEN, NIP, STROKE, UP } from './calls'
import { openPush } from './open-push'
import { trick } from './row'

/** A dry slave in the hand. */
export const slavePrimed = trick({
  id: 'slavePrimed',
  name: 'Slave primed: rod in, filled, let out slowly',
  caution: 'Rag under it; eyes away from the port while the rod goes in.',
  said: { way: '(?:new )?slave primed|primed the (?:new )?slave', figure: null },
  where: 'bench',
  nose: 0,
  turns: false,
  drawsAs: null,
  instead: null,
  calls: calls(
    [
      [bleeder('in'), 'Push the rod in by hand, port up, over a rag.', 'The new slave’s rod goes in.'],
      [
        bleeder('prime'),
        'Fill the slave through its port until it stands full.',
        'The new slave is being filled.',
      ],
      [
        bleeder('out'),
        'Let the rod come out slowly, topping up at the port, then cap the port.',
        'The new slave’s rod comes out.',
      ],
    ],
    { offVehicle: true },
  ),
  run: null,
})

/** A new master that sends nothing. */
export const masterPrimed = trick({
  id: 'masterPrimed',
  name: 'Master primed at its cracked outlet',
  caution: 'Rag round the union, eyes away: it spits when fluid comes.',
  said: {
    way: '(?:(?:new )?master primed|primed the (?:new )?master)(?: at (?:the|its) cracked (?:outlet|union))?',
    figure: null,
  },
  where: 'newPart',
  nose: 0,
  turns: false,
  drawsAs: openPush.run,
  instead: ['benchLoop', 'gravity'],
  calls: calls(
    [
      [
        LOOSEN,
        'Loosen the union at the master’s outlet under the cloth. Eyes away; the pedal is up.',
        'The union at the master is being loosened. Keep your foot off the pedal.',
      ],
      [
        STROKE,
        'Pedal down slowly, as far as it goes. It may send nothing at first. Keep it there.',
        'The pedal is going down: look for fluid at the master’s outlet.',
      ],
      [
        NIP,
        'Nip the union at the master up; the foot stays down until you say so.',
        'Stay down: the union at the master is being nipped up.',
      ],
      [
        UP,
        'The outlet is shut: let the pedal come up, by hand if it has to be.',
        'The pedal comes up. Leave the outlet shut.',
      ],
    ],
    { wants: ['marked', 'cover'], shutFirst: true, two: true, valve: 'union' },
  ),
  run: null,
})
