import type { FindingId } from '../diagnosis'
import type { FindingWays } from './finding-ways'

/** Underneath, at the pedal and on the road: how findings there are said. */
export const BELOW_WAYS: Partial<Record<FindingId, FindingWays>> = {
  bootWet: { about: 'boot', present: 'wet | fluid', absent: 'dry | not fluid' },
  bootWetAgain: {
    about: 'wiped boot | boot wiped | boot again | wiped',
    present: 'wet again | wet',
    absent: 'stays dry | dry',
  },
  bootTorn: { about: 'boot', present: 'torn | gone | missing', absent: 'whole | not torn' },
  bootLoose: {
    about: 'boot',
    present: 'off | loose | off its groove | slipped off',
    absent: 'holds | on',
  },
  slaveCracked: { about: 'slave body | slave casting', present: 'cracked', absent: 'not cracked | ok' },
  slaveUnionDamp: { about: 'slaveunion', present: 'wet', absent: 'dry | ok' },
  bleederDamp: { about: 'bleeder', present: 'wet', absent: 'dry' },
  bleederLow: {
    about: 'bleeder',
    present: 'not uppermost | not at top | not highest',
    absent: 'uppermost | at top | highest | on top',
  },
  bellHoleWet: { about: 'bell', present: 'wet | drips | drip', absent: 'dry | not drip | not drips' },
  dripIsOil: {
    about: 'drip | drips | gear oil | engine oil',
    present: 'oil | gear oil | engine oil',
    absent: 'brake fluid | not oil | not gear oil',
  },
  discOiled: { about: 'disc', present: 'oily | oil | oiled', absent: 'not oil | not oily' },
  fingerGrooves: { about: 'fingers', present: 'grooved | grooves', absent: 'smooth | not grooves' },
  forkCracked: {
    about: 'fork | bracket at slave | pivot ball',
    present: 'cracked',
    absent: 'not cracked | ok | free of cracked',
  },
  forkSpringOff: {
    about: 'fork spring | fork clip',
    present: 'off | broken | gone | missing',
    absent: 'on | there | in place',
  },
  rodTipWorn: { about: 'rod tip | cup | fork cup | rod tip cup', present: 'worn', absent: 'ok' },
  forkNoPlay: {
    about: 'play fork | fork play',
    present: 'not | zero',
    absent: 'some | bit | there | ok | as it should be',
  },
  forkMuchPlay: {
    about: 'play fork | loose fork | fork loose',
    present: 'too much | way too much | lots | far too much',
    absent: 'as set | not | as it was set',
  },
  slaveLoose: {
    about: 'slave bracket | slave bolts | slave on its bracket | slave mounting',
    present: 'rocks | moves | loose | rocks under load | moves under load',
    absent: 'firm | tight',
  },
  slaveAtStop: {
    about: 'slave stop | slave end of stroke | slave bottoms',
    present: 'meets | hits | bottoms | at stop',
    absent: 'stroke left | not',
  },
  rodCreepsBack: {
    about: 'rod back | rod follows | slave rod back',
    present: 'crawls | crawls back | creeps | creeps back | slow',
    absent: 'straight back | at once | follows at once | follows straight back | follows',
  },
  pushBackStiff: {
    about: 'push slave back | pushes back | push back | slave push back hand | slave back',
    present: 'not | not go | will not go | stiff',
    absent: 'easy | goes | ok | yes',
  },
  wayHomeShut: {
    about: 'back open | bleeder open | only open | back bleeder open',
    present: 'only | goes only | back only | only with bleeder open',
    absent: 'not difference | makes no difference | open or shut no difference',
  },
  seizedOpen: {
    about: 'bleeder open slave back | open slave | bleeder open back | screw open slave',
    present: 'still not back | will not back | still will not go',
    absent: 'goes in ok | goes in | goes back | goes ok',
  },
  pistonSticks: {
    about: 'piston | slave piston',
    present: 'sticking | sticks | stuck | seized',
    absent: 'slides | free | slides nicely | not stick',
  },
  slaveNoisyInHand: {
    about: 'slave in the hand | slave hand',
    present: 'squeak | drag',
    absent: 'quiet | smooth',
  },
  forkStiff: {
    about: 'fork by hand | fork hand | fork',
    present: 'stiff | rough | stiff by hand',
    absent: 'free | moves free | free by hand',
  },
  dragSlaveOff: {
    about: 'slave off | slave off cap off',
    present: 'still squeak | still drag | still there | squeak at pedal | drag at pedal',
    absent: 'drag gone | squeak gone | noise gone | gone',
  },
  softPlugged: {
    about: 'outlet plugged | plugged at master | master plugged',
    present: 'soft | still soft | sink | still sink | spongy',
    absent: 'hard | firm',
  },
  softHoseShut: {
    about: 'line plugged | line shut | hose shut | hose plugged | plugged before slave | shut at slave',
    present: 'soft | still soft | sink | still sink | spongy',
    absent: 'firm | hard',
  },
  borePitted: {
    about: 'bore | bores',
    present: 'pitted | pitting | rusty',
    absent: 'clear | not pitting | ok | not pitted',
  },
  slaveUntagged: {
    about: 'pedal | tag | tag on pedal',
    present: 'not tag | not tagged',
    absent: 'tagged | tagged pedal',
  },
  notOnStands: {
    about: 'jack | stands | on the jack',
    present: 'only on the jack | only jack | not on stands | not stands',
    absent: 'on stands | stands chocked | chocked',
  },
  springy: {
    about: 'feel | end of travel | bouncy',
    present: 'springy | bouncy | spongy at end',
    absent: 'firm | firm to the end',
  },
  firmLow: { about: 'low but firm | low firm | firm low', present: 'low firm | yes', absent: 'not' },
  pumpsUp: {
    about: 'quick strokes | pumps | pumps up',
    present: 'bring it up | bring up | pumps up | comes up',
    absent: 'change nothing | not change | not difference | no change',
  },
  heldSinks: {
    about: 'held minute | minute held | after a minute | held down minute',
    present: 'drag | starts drag | begins to drag | start drag',
    absent: 'stays free | gear stays free | free',
  },
  fadesOvernight: {
    about: 'overnight',
    present: 'lower | lower than before | worse | longer',
    absent: 'same | the same',
  },
  padHangs: {
    about: 'pedal | let go | pedal let go',
    present: 'hang | creeps up | hang let go | hangs when let go',
    absent: 'straight back | at once | back at once | comes back at once',
  },
  hardPedal: {
    about: 'pedal force | force',
    present: 'hard | high | up | way up | stiff',
    absent: 'normal | usual | as usual | ok',
  },
  takeUpWanders: {
    about: 'bite | take up | bites',
    present: 'different every press | wanders | moves about | different every press',
    absent: 'same place | always same | same',
  },
  gearGrinds: {
    about: 'reverse | unsynchronised gear',
    present: 'grind',
    absent: 'quiet | goes in quiet | not grind | goes in quietly',
  },
  oneGearOnly: {
    about: 'only gear grind | gear | one gear',
    present: 'only grind | only gear grind | one only',
    absent:
      'all of them not just one | grind all | all gears grind | not just one gear | grind all not just gear | grind all gears',
  },
  hardEngineOff: {
    about: 'engine off',
    present: 'stiff into gear | hard to engage | still stiff | will not go in | still hard',
    absent: 'go in | all go in | gears go in | all in',
  },
  willNotRoll: {
    about: 'gear pedal down roll | rolls gear | roll',
    present: 'not roll | will not roll',
    absent: 'rolls | rolls ok',
  },
  dragsFullStroke: {
    about: 'full stroke | rod full stroke',
    present: 'drag | drag all the same',
    absent: 'not drag',
  },
  slips: { about: 'under load | load | hill', present: 'slip', absent: 'not slip | holds' },
  worseHot: {
    about: 'hot | when hot | hot or cold',
    present: 'worse | worse hot',
    absent: 'not difference | no difference | same',
  },
  judders: {
    about: 'judder | taking up | pulling off | takes up',
    present: 'judder',
    absent: 'not judder | smooth',
  },
  growlsPressed: {
    about: 'growl | throwout | growl pedal down | throwout pedal down',
    present: 'growl',
    absent: 'not growl | quiet',
  },
  rattlesIdle: { about: 'idle | rattle at idle', present: 'rattle', absent: 'not rattle | quiet' },
  squealsInGear: {
    about: 'squeal in gear | in gear',
    present: 'squeal',
    absent: 'not squeal | quiet in gear',
  },
  slowAtRevs: {
    about: 'quick shift | shift high revs | quick shift revs',
    present: 'balks | baulks | will not go | not go',
    absent: 'goes | ok',
  },
  unionsWet: {
    about: 'unions after | all unions | unions hard strokes | unions strokes | unions ten',
    present: 'wet after | wet after ten | wet ten hard',
    absent: 'all dry | dry after | hard strokes dry',
  },
}
