import { bleeder, calls, TAG, UNTAG } from './calls'
import { trick } from './row'

export const turned = trick({
  id: 'turned',
  name: 'Slave turned, bleed screw uppermost',
  caution: 'Loosen nothing under pressure. Tag the pedal: nobody presses it while the slave is free.',
  said: {
    way: 'turned the slave|slave turned(?:,? (?:with )?(?:bleed )?screw (?:on top|uppermost|up))?',
    figure: null,
  },
  where: 'vehicle',
  nose: 0,
  turns: true,
  drawsAs: null,
  instead: null,
  calls: calls([
    [
      TAG,
      'Tag on the pedal: nobody presses it while the slave is loose.',
      'The pedal is being tagged before the slave is loosened.',
    ],
    [
      bleeder('turn'),
      'Slave off its bolts and turned until its screw, or its port, is uppermost. The line stays on.',
      'The slave is being turned: keep off the tagged pedal.',
    ],
    [
      bleeder('refit'),
      'Slave back, rod in its seat, bolts tight.',
      'The slave goes back: keep off the pedal until the tag is off.',
    ],
    [UNTAG, 'The slave is tight: tag off the pedal.', 'The tag comes off: the slave is tight.'],
  ]),
  run: null,
})
