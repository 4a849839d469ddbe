import type { FindingId } from '../diagnosis'

/**
 * How things are said besides the words of the tables. Each is a way of saying it: all its words, in any order, stand in one
 * clause; ways are parted by |. Words are taken in standard form, so that one way stands for many.
 */
export interface FindingWays {
  about: string
  present: string
  absent: string
}

/** Engine bay and footwell. */
export const ABOVE_WAYS: Partial<Record<FindingId, FindingWays>> = {
  levelLow: {
    about: 'level | res | fluid level',
    present: 'low | under the mark | below the mark | below min | down',
    absent: 'on mark | max | up to max | full | ok | up to the mark | on its mark | correct',
  },
  toppedUp: {
    about: 'topped up | topping up | been topped | tops it up',
    present: 'been | keeps | owner | lately',
    absent: 'not',
  },
  workedOn: {
    about: 'worked on | recent work | work lately | been apart | opened lately | recent repair',
    present: 'been | someone | lately | recently | yes',
    absent: 'not',
  },
  circuitDry: {
    about: 'system | circuit',
    present: 'dry | empty | line off | drained',
    absent: 'full | filled | wet',
  },
  fluidAged: {
    about: 'fluid changed | fluid age | fluid old | last fluid change | fluid years old',
    present: 'years ago | long ago | old | over two years | ages ago | not known',
    absent: 'lately | recently | last year | this year | within two years | new',
  },
  highDistance: { about: 'distance | mileage | clock', present: 'high | lots', absent: 'low' },
  fluidDark: {
    about: 'fluid | colour | color | dark',
    present: 'dark',
    absent: 'clear | fresh | light',
  },
  sediment: {
    about: 'bottom | slime | dust in res',
    present: 'slime | dust | yes',
    absent: 'clear | not slime | not',
  },
  fluidMoist: {
    about: 'strip | test strip | boiling test | moisture',
    present: 'moist | wet | water | bad | high',
    absent: 'ok | dry | low',
  },
  fluidWrong: {
    about: 'fluid | kind of fluid | oil | smells',
    present: 'wrong | mixed | mineral oil | silicone | mineral',
    absent: 'right | correct | right kind',
  },
  rubberSwollen: {
    about: 'cap rubber | cap seal | rubber of cap | cap',
    present: 'swell | swell up | fat',
    absent: 'ok | as it should be | flat',
  },
  floatDown: {
    about: 'float | baffle',
    present: 'down | lies down | sink | sunk',
    absent: 'floats | ok | up',
  },
  brakeLevelLow: {
    about: 'brake level | brake fluid level | brake minimum',
    present: 'min | at min | below min | low | minimum',
    absent: 'above min | well above minimum | ok | above',
  },
  takeOffLow: {
    about: 'take off | spigot',
    present: 'under min | below min | low',
    absent: 'above | above min',
  },
  reservoirDamp: { about: 'feed | res', present: 'wet', absent: 'dry | ok' },
  reservoirCracked: { about: 'res | feed', present: 'cracked | torn', absent: 'not cracked' },
  bubblesRise: {
    about: 'bubbles res | bubbles in res | bubbles up res',
    present: 'rise | coming | yes | up',
    absent: 'not',
  },
  noSpurt: {
    about: 'swirl | spurt | swirl at port | spurt res',
    present: 'not',
    absent: 'there | nice | ok | yes | see',
  },
  masterCracked: {
    about: 'master body | master cylinder body | master casting',
    present: 'cracked',
    absent: 'ok | not cracked',
  },
  partMismatch: {
    about: 'parts | bores | wrong slave | wrong master | stamped bores | numbers',
    present: 'wrong | not match | not right ones | another size | do not match',
    absent: 'match | right | match the book | match the data',
  },
  restrictorFitted: { about: 'restrictor', present: 'fitted | there | in', absent: 'not' },
  outletDamp: { about: 'outlet', present: 'wet', absent: 'dry | ok' },
  nutNotSeated: {
    about: 'nut | flare | flare nut',
    present: 'not home | not seated | proud | not home',
    absent: 'home | seated',
  },
  pipeTurns: {
    about: 'pipe turns | pipe in its nut | pipe spins',
    present: 'turns | spins',
    absent: 'not turn | held | not spin',
  },
  threadCrossed: {
    about: 'thread | flare nut | threads | cross threaded',
    present: 'crossed | cross threaded | barely in | cross',
    absent: 'true | runs true | ok | runs in',
  },
  jointMismatch: {
    about: 'thread gauge | wrong thread | wrong flare | gauge',
    present: 'wrong | another kind',
    absent: 'right | as it should be',
  },
  connectorUnlatched: {
    about: 'connector | quick connector | quick release',
    present: 'not latched | loose | not clicked | unclipped | off',
    absent: 'latched | clicked | clicked home',
  },
  pipeDamp: { about: 'pipe', present: 'wet', absent: 'dry | ok' },
  pipeRusty: {
    about: 'pipe',
    present: 'rusty | rust | rubbed | chafed | corroded',
    absent: 'not rust | not rubbed',
  },
  hoseDamp: { about: 'hose', present: 'wet', absent: 'dry' },
  hoseCracked: { about: 'hose | hose skin', present: 'cracked | torn', absent: 'not cracked' },
  hoseSwells: {
    about: 'hose | hose under load',
    present: 'swell | swell under load',
    absent: 'not swell | firm | not swell under load',
  },
  nearHeat: {
    about: 'exhaust | line exhaust | pipe exhaust',
    present: 'touching | close | near',
    absent: 'well clear | clear | away',
  },
  rodEndDamp: { about: 'rodend', present: 'wet', absent: 'dry | ok' },
  carpetWet: { about: 'carpet', present: 'wet', absent: 'dry | ok' },
  clevisWorn: { about: 'clevis', present: 'worn | loose', absent: 'tight | ok' },
  rodTight: {
    about: 'play rod | play at rod | rod play pedal up',
    present: 'not',
    absent: 'bit | there | ok | some | yes | bit of',
  },
  rodSlack: {
    about: 'loose rod | rod moves before piston | rod before it meets piston | rod loose',
    present: 'miles | far | moves miles | lots | moves far | much',
    absent: 'hardly | hardly any | not | hardly moves',
  },
  bulkheadFlexes: {
    about: 'bulkhead | bracket',
    present: 'flexes | gives | bends | moves | flex',
    absent: 'stiff | not flex | not move | firm',
  },
  bulkheadCracked: {
    about: 'sheet | flange | round the flange | bulkhead | master flange',
    present: 'cracked',
    absent: 'not cracked',
  },
  masterLoose: { about: 'master nuts | nuts of master', present: 'loose', absent: 'tight | ok' },
  pedalBushesLoose: {
    about: 'bushes | pedal sideways | pedal side to side',
    present: 'loose | moves | worn',
    absent: 'tight | ok | not loose',
  },
  pedalSqueaks: {
    about: 'pivot | by hand | squeak by hand',
    present: 'squeak | squeak by hand | squeak when work by hand',
    absent: 'quiet | not squeak',
  },
  returnSpringOff: {
    about: 'return spring | spring',
    present: 'off | popped off | weak | broken | gone',
    absent: 'pulls | ok | on',
  },
  pedalBlocked: {
    about: 'mat | under the pedal | carpet pedal | way under the pedal',
    present: 'in the way | bunched up | bunched | folded | in way | under pedal',
    absent: 'not in the way | clear | not in way',
  },
  switchUnreached: {
    about: 'switch',
    present: 'not reached | not reach | not touch',
    absent: 'reached | clicks',
  },
  switchHolds: {
    about: 'switch | upper stop | stop',
    present: 'holds it down | holds pedal down | holds down',
    absent: 'clear of pedal',
  },
  startsPedalUp: {
    about: 'start | engine start',
    present: 'pedal up | with pedal up',
    absent: 'only pedal down | only with pedal down | not with pedal up',
  },
  brakePedalChanged: {
    about: 'brake pedal',
    present: 'changed | different | soft | spongy | low | feels different',
    absent: 'firm | as ever | same | as before',
  },
  noiseAtPivot: {
    about: 'pivot noise | loudest pivot | squeak loudest pivot | rattle loudest pivot | noise pivot',
    present: 'loudest',
    absent: 'not',
  },
  noiseAtMaster: {
    about: 'master noise | loudest master | squeak loudest master | rattle loudest master',
    present: 'loudest',
    absent: 'not',
  },
  noiseAtRod: {
    about:
      'rod noise | loudest rod | squeak loudest rod | rattle loudest rod | clevis noise | loudest clevis | pin noise | loudest pin',
    present: 'loudest',
    absent: 'not',
  },
  noiseAtPedal: {
    about: 'pedal noise | loudest pedal | squeak loudest pedal | rattle loudest pedal | loudest spring',
    present: 'loudest',
    absent: 'not',
  },
  noiseAtSlave: {
    about: 'slave noise | loudest slave | squeak loudest slave | rattle loudest slave',
    present: 'loudest',
    absent: 'not',
  },
  noiseAtFork: {
    about: 'fork noise | loudest fork | squeak loudest fork | rattle loudest fork | housing noise',
    present: 'loudest',
    absent: 'not',
  },
}
