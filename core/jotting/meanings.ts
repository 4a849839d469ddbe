import type { ComplaintId, Need, ReadingName } from '../diagnosis'

/** How complaints, conditions and readings are said besides the words of the tables; see finding-ways. */
export const COMPLAINT_WAYS: Record<ComplaintId, string> = {
  soft: 'soft | spongy | soft pedal | spongy pedal',
  low: 'low | bites at the floor | near the floor | bites right at floor | low pedal | take up near floor',
  lowerEachWeek: 'lower every week | getting lower | lower each week | worse every week',
  sinks:
    'pedal sink | pedal sink slowly | sink foot | to the floor if you hold | sink under foot | floor hold lights',
  staysDown: 'pedal hang | hang hook up | pedal hang slow back | slow return | have to lift pedal',
  afterStanding:
    'not gears first thing pump | not gear standing | not gear after stood pump | after standing | not gears first thing | every morning pump | not go in gear stood pump | gear after stood quick pump | not gear stood',
  grinds: 'gears grind | grind | grinds gears',
  wanders: 'bite moving about | bite keeps moving | wanders | bite point moving',
  hard: 'hard | hard pedal | pedal stiff | clutch gone hard | clutch hard | stiff in traffic | pedals stiff',
  slipsNewDisc: 'slip | clutch slip | slip new disc | clutch slip disc | slip even new disc',
  squeaks: 'squeak | squeak pedal | squeak push clutch | squeak every time',
  rattles: 'rattle | rattle idle | rattle idle foot pedal | rattle goes foot rests',
  noStart: 'not start | will not start | not start pedal floor | not start pedal down',
  losesFluid:
    'losing fluid | loses fluid | level falling | keeps losing fluid | level keeps falling | level falls | losing fluid no idea where | falling can not see where',
  slowShifts:
    'slow shift | slow shift high | not change quick top end | slow shifts revs | change quick top',
  droppedAtOnce:
    'dropped floor | dropped | pedal dropped floor suddenly | went to floor suddenly | suddenly floor',
  noPedal: 'not pedal | no pedal at all | pedal nothing there',
  noGear:
    'not gear will engage | will not go in any gear | no gears at all | can not get gear | not go into gear | no gear',
  firmHigh: 'firmer higher | higher firm | firmer than it was',
  growl: 'growl | growl pedal down | growl pushing clutch',
  takesUpLate: 'takes up late | bites high | bite near top | high bite | take up top',
  slowPressGrinds: 'slow press grind | grind slow press not quick | grinds pressed slowly',
  brakesDrag: 'brakes drag | brakes bind | brakes binding | brake drag',
}

interface NeedWays {
  yes: string
  no: string
}
export const NEED_WAYS: Record<Need, NeedWays> = {
  helper: {
    yes: 'helper | got a helper | helper here | have helper',
    no: 'on my own | not helper | alone | by myself | helper gone | single handed',
  },
  underneath: {
    yes: 'on ramp | up on the ramp | on lift | can get under | under it | on the lift | over the pit',
    no: 'not get under | can not get under | no ramp | not under it',
  },
  pedal: {
    yes: 'pedal free to press | pedal free | can press pedal',
    no: 'nobody touch pedal | not touch pedal | pedal not pressed | keep off pedal',
  },
  engine: {
    yes: 'ok to run engine | engine may run | can run engine | run the engine',
    no: 'not running engines | not run engine | no engine running',
  },
  road: {
    yes: 'take it on road | may drive | can drive | road test ok | on the road',
    no: 'not to be driven | not driven | not drive | can not drive',
  },
  hours: {
    yes: 'leave overnight | can stand | can stand overnight | stay overnight | leave it overnight',
    no: 'not stand overnight | can not stand | not leave overnight | waiting not stand overnight | customer waiting',
  },
  slaveOff: {
    yes: 'slave unbolted | slave off | slave is off',
    no: 'slave bolted up | slave bolted back up | slave bolted | slave back on',
  },
  circuitOpen: {
    yes: 'ok to open system | can open it up | may open | open the system | can open lines',
    no: 'not open lines | not want lines opened | not open system | keep it closed | not opened',
  },
}

export const READING_WAYS: Record<ReadingName, string> = {
  freeTravel:
    'free | free travel | free play | free play pedal | free at pedal | lost motion | lost motion pedal | freetravel | goes down before feel | travel before feel anything',
  takeUpHeight:
    'take up | bite | bite point | biting point | engages | engages above | friction point | bites off floor | bitepoint | takes up | bite off floor',
  padHeight:
    'pedal height | height | pedal ht | pedal rest | pedal sits off floor | pedal sits | height of pedal | pedal',
  rodStroke:
    'stroke | rod stroke | slave rod moves | slave rod | rod throw | rod out slave | rod slave | at slave pedal flat | slave pedal flat | travel slave rod | slave rod throw | slave moves | slave travel',
  sink: 'sink | went down held | drops pedal | pedal drops | pedal went down | went down | went down hold | sink hold',
  rodClearance:
    'clearance | rod play | rod clearance | rod clearence | master rod | at master rod | rod too long',
  reservoirDrop:
    'level drop | level dropped | level down | res down | res drop | level fell | level fallen | drop',
  pumpUpGain:
    'gain | pump gain | quick strokes won | strokes won | up after pumping | after quick pumps pedal higher | higher after pumping | won | came up after pumping',
  heldDrop: 'level held | held drop | level after holding | level fell held',
  returnTime: 'return time | comes up in | time up | pedal back in | comes back in | takes to come up',
  gearWait: 'gear wait | wait for gear | gear after | wait gear',
  switchAt: 'switch at | switch clicks at | switch closes | clicks at',
  overnightGrowth:
    'overnight growth | overnight gain | gained overnight | more overnight | grew overnight',
  temperature: 'temperature | temp | ambient | degrees',
  reserve: 'reserve | in reserve | reserve to floor | left to floor',
  levelUnder:
    'level under mark | level below mark | level over mark | level above mark | under mark | below mark | level under | level below | level low',
  fluidAge:
    'fluid age | fluid old | fluid changed ago | fluid changed | fluid last changed | old fluid',
  mileage: 'mileage | distance | clock | on clock | odometer',
}
