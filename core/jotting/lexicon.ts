/**
 * Words in standard form. One row: the standard word, then what is said for it, in Leeds and in Ohio; several words together
 * count as one. A word that is in no row stands for itself.
 */
const ROWS = `
boot: gaiter | dust boot | rubber boot | slave boot
slave: slv | slave cylinder | slave cyl
master: mstr | master cylinder | master cyl | clutch master
res: reservoir | fluid pot | resevoir
level: lvl | fluid level | res level | level in the res | level in the reservoir
rod: pushrod | push rod | pushrd
rodend: rod end | rod end of the master | master rod end | rod-end
feed: feed hose | supply hose | feed pipe | feed line
hose: flexi | flexible hose | flexi hose | rubber hose | flex hose | clutch hose | flexible
pipe: hard line | steel line | steel pipe | hard pipe
outlet: outlet union | master outlet | outlet of the master | master union
slaveunion: slave union | slave port | union at the slave | banjo | union on the slave | banjo bolt | slave banjo
bleeder: nipple | bleed screw | bleed nipple | bleeder screw | bleedscrew
bell: bell housing | bellhousing | housing hole | bell housing hole | hole under the bell housing | hole in the housing | inspection hole
carpet: carpets
bushes: pedal bushes | bushings | bush | bushing | pivot bushes
bulkhead: firewall | fire wall | bulk head
exhaust: downpipe | down pipe | manifold
pedal: ped | pad | clutch pedal
idle: tickover | tick over | idling
reverse: rev gear
wet: damp | weeping | weeps | weep | wept | sweating | leaking | leaks | leak | leaky | seeping | seeps | dmp | dripping wet | soaked | wetness
dry: bone dry | drys | dryness
ok: fine | good | okay | alright | all right | sound | perfect | healthy | as new | looks good | spot on | as it should be
bad: knackered | shot | poor | duff | rubbish
not: no | without | never | none | nothing | nor | zero | nowt | any sign | neither
cracked: crack | cracks | cracking | crazed
torn: tear | tears | ripped | split | splits | perished | holed
loose: wobbles | wobble | wobbly | slack | sloppy | slop | waggles
tight: snug
worn: mushroomed | oval | wear | egg shaped
squeak: squeaks | squeaking | creak | creaks | creaking | squeaky | creaky
squeal: squeals | squealing | screech | screeches
grind: grinds | grinding | crunch | crunches | crunching | graunch | graunches | grate | grates
rattle: rattles | rattling | chatter at idle
growl: growls | growling | rumble | rumbles | grumbles
judder: judders | juddering | shudder | shudders | shuddering | jerks
slip: slips | slipping
drag: drags | dragging
bubbles: bubble | bubbling
bite: bites | biting
sink: sinks | sinking | sank | sunk | creeps down
swell: swells | swelling | swelled | swollen | balloons | ballooning | bulges | bulging | grows
spongy: mushy | squishy | squashy
soft: softer
hard: heavy | heavier | rock hard | hard as stone | stone hard
stiff: stiffer | stiffly
firm: solid | rigid
hang: hangs | hanging | hung up | sticks down | stays down | stay down
back: returns | return
dark: black | brown | dirty | murky
clear: clean
slime: sludge | sediment | gunge | muck | black dust | crud | gunk
foam: froth | foamy | frothy | foaming
large: big | huge | great big
few: tiny | small | little | a few | odd | couple of
pumps: strokes | pump | press | presses | pumped | pumping | pushes | stroked | hard ones | hard strokes | hard presses | squirts
quick: fast | rapid | quickly
hot: warm | warmed | heat
overnight: over night | by morning | this morning | next morning | since last night | stood overnight | left overnight
customer: cust | owner | driver | client | complaint | complains | moans | reckons
helper: mate | second person | assistant
throwout: release bearing | throw out bearing | throwout bearing
under: underneath
start: starts | starting | fires | fire up | fires up | cranks
switch: clutch switch | pedal switch
clevis: clevis pin | clevis and pin
disc: disk | driven plate
shift: shifts | shifting | change gear
floor: floorboard
`
/** Words that carry nothing by themselves. */
const FILLERS =
  'the a an is it any see nice well bit way its are was were be been this that there them they he she i we you his her their my of on at to in by for with when as while and but so then um er uh like just really very about okay still now then his himself here some does do did has have had as per from though all got get gets going go goes went come comes coming came out up off down into over under its than too also yes'.split(
    ' ',
  )

export const fillers: ReadonlySet<string> = new Set(FILLERS)

/** Longest first: what is said, as words, and the standard word for it. */
const phrases = new Map<string, { words: string[]; standard: string }[]>()
const known = new Set<string>()
for (const row of ROWS.trim().split('\n')) {
  const [standard, rest] = row.split(': ') as [string, string]
  for (const said of [standard, ...rest.split(' | ')]) {
    const words = said.replace(/-/g, ' ').split(' ')
    const list = phrases.get(words[0]!) ?? []
    phrases.set(words[0]!, list)
    list.push({ words, standard })
    for (const word of words) known.add(word)
  }
}
for (const list of phrases.values()) list.sort((a, b) => b.words.length - a.words.length)

export const phrasesFrom = (word: string) => phrases.get(word) ?? []
export const knownWords = known
