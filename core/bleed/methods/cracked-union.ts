import { calls, LOOSEN, NIP, STROKE, UP } from './calls'
import { openPush } from './open-push'
import { method } from './row'

export const crackedUnion = method({
  id: 'crackedUnion',
  name: 'At a cracked union',
  hint: 'One helper. Crack the union at the slave, push, nip it up, and only then lift.',
  said: '(?:at (?:the|a) )?cracked union',
  where: 'vehicle',
  draws: 'stroke',
  atUnion: true,
  instead: 8,
  screwless: true,
  calls: calls(
    [
      [
        LOOSEN,
        'Loosen the union under the cloth, half a turn. Eyes away from it; the pedal is up.',
        'The union is being loosened. Keep your foot off the pedal until it is loose.',
      ],
      [
        STROKE,
        'Pedal to the floor, slowly: it comes out into the cloth. Keep it there.',
        'The pedal is going down: hold the cloth over the union.',
      ],
      [
        NIP,
        'Nip the union up, counter-holding. The foot keeps the pedal on the floor until you say so.',
        'Keep the pedal on the floor: the union is being nipped up.',
      ],
      [
        UP,
        'The union is shut: let the pedal come up, all the way.',
        'The pedal is coming up. Leave the union shut.',
      ],
    ],
    { wants: ['marked', 'cover'], shutFirst: true, two: true, valve: 'union' },
  ),
  run: openPush.run,
})
