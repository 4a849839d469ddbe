import type { Call, Role, Work } from '../coach'
import type { BleedSign, Trick } from '../journal'

/** What a call says: the word itself, what it asks for, what the other one is told, and how it is answered. */
export interface CallSaid {
  word: string
  ask: string
  /** To whoever waits meanwhile. */
  waits: string
  answer: string
}
const said = (word: string, ask: string, waits: string, answer: string): CallSaid => ({
  word,
  ask,
  waits,
  answer,
})

export const CALL_WORDS: Record<Call, CallSaid> = {
  open: said('Open', 'Open the screw, a quarter turn to a half.', 'The screw is being opened.', 'Open'),
  down: said(
    'Push',
    'Pedal down, smoothly and quick, and keep it down.',
    'The pedal is going down.',
    'It is down',
  ),
  shut: said(
    'Close',
    'Close the screw while the pedal stays down.',
    'Stay down: the screw is being closed.',
    'Closed',
  ),
  up: said('Lift', 'Let the pedal come up, all the way.', 'The pedal is coming up.', 'It is up'),
  pump: said('Pump', 'Four full strokes, and stay down on the last.', 'The pedal is pumped.', 'Pumped'),
  hold: said('Hold', 'Hold the pedal down with a firm foot.', 'The pedal is held.', 'Holding'),
  wait: said('Wait', 'Nothing moves.', 'Nothing moves.', 'Go on'),
  walk: said('Walk', 'Go over to the other end.', 'On the way.', 'There'),
  look: said('Look', 'Watch the hose and the level.', 'The hose and the level are watched.', 'Enough'),
  build: said(
    'Build',
    'Pump up to what the gauge may show.',
    'Pressure or vacuum is built up.',
    'Built up',
  ),
  release: said(
    'Release',
    'Let it off slowly before a cap or a hose comes off.',
    'It is let off.',
    'Let off',
  ),
  push: said(
    'Inject',
    'Press in slowly from the screw; the reservoir rises.',
    'Fluid comes from below: watch the level.',
    'Pressed in',
  ),
  draw: said('Draw', 'Draw the vacuum at the reservoir.', 'Vacuum is drawn.', 'Drawn'),
  letBack: said('Back', 'Let the vacuum back slowly.', 'The vacuum is let back.', 'Back'),
  in: said(
    'In',
    'Push the slave’s rod in, slowly, outlet uppermost.',
    'The slave’s rod goes in.',
    'In',
  ),
  out: said('Out', 'Let the rod come out, slowly.', 'The slave’s rod comes out.', 'Out'),
  short: said(
    'Short',
    'Ten short strokes, a finger’s breadth each, until the rod hardly moves.',
    'Short strokes at the pedal.',
    'Done',
  ),
  tap: said(
    'Tap',
    'Tap along the line with a handle, from the low end up.',
    'The line is tapped.',
    'Tapped',
  ),
  tag: said(
    'Tag',
    'Hang the tag on the pedal: nobody presses it.',
    'The pedal is being tagged.',
    'Tagged',
  ),
  untag: said('Untag', 'Take the tag off the pedal.', 'The tag comes off.', 'Off'),
  press: said(
    'Press',
    'Press the piston home with a lever or clamp, screw open. No foot on the pedal.',
    'The slave’s piston is pressed home: stay off the pedal.',
    'Home',
  ),
  clampOff: said('Unclamp', 'Take the clamp off.', 'The clamp comes off.', 'Off'),
  wedge: said(
    'Wedge',
    'Wedge the pedal down, cap on, floor kept dry.',
    'The pedal is wedged.',
    'Wedged',
  ),
  raise: said(
    'Tilt',
    'Tilt the vehicle; wheels chocked, nobody under a jack alone.',
    'The vehicle is tilted.',
    'Tilted',
  ),
  turn: said('Turn', 'Turn the slave until its screw is uppermost.', 'The slave is turned.', 'Turned'),
  back: said('Refit', 'Put the slave back and tighten it.', 'The slave goes back.', 'Refitted'),
  hose: said(
    'Hose',
    'Hose on the screw, its end under fluid in the catch bottle. Never catch into the can you fill from.',
    'The hose goes on.',
    'On',
  ),
  fill: said(
    'Fill',
    'Fill the reservoir to its mark, with fresh fluid.',
    'The reservoir is being filled.',
    'At the mark',
  ),
  clamp: said(
    'Clamp',
    'Hold the cylinder by its lugs or nuts, never round its body.',
    'The cylinder is clamped.',
    'Clamped',
  ),
  level: said(
    'Level',
    'Both vessels stand level, hose ends under fluid, nothing that tips.',
    'The vessels are set level.',
    'Level',
  ),
  hands: said(
    'Hands',
    'Count hands: one strokes, one keeps the hose under. Do not start one short.',
    'Hands are counted.',
    'Enough hands',
  ),
  plug: said(
    'Plug',
    'Plug the open end with a plug made for it. Only a light foot afterwards.',
    'The end is being plugged: stay off the pedal.',
    'Plugged',
  ),
  unplug: said(
    'Unplug',
    'Take the plug out; pedal up, rag under it.',
    'The plug comes out: stay off the pedal.',
    'Out',
  ),
  join: said(
    'Join',
    'Join the next piece and tighten it.',
    'The next piece is joined: stay off the pedal.',
    'Joined',
  ),
  fillPort: said(
    'Fill',
    'Fill the slave through its port until it stands full.',
    'The slave is filled.',
    'Full',
  ),
  letOut: said('Out', 'Let the rod come out slowly, and cap the port.', 'The rod comes out.', 'Capped'),
}
/** Where a union is cracked in place of a screw. */
export const AT_UNION: Partial<Record<Call, CallSaid>> = {
  open: said(
    'Crack',
    'Crack the union, a rag round it; eyes away.',
    'The union is being cracked.',
    'Open',
  ),
  shut: said(
    'Nip',
    'Nip the union up while the pedal stays down.',
    'Stay down: the union is nipped up.',
    'Shut',
  ),
}
export const callSaid = (call: Call, method: string): CallSaid =>
  ((method === 'crackedUnion' || method === 'masterPrimed') && AT_UNION[call]) || CALL_WORDS[call]

export const ROLE_WORDS: Record<Role, { at: string; who: string }> = {
  pedal: { at: 'At the pedal', who: 'the pedal' },
  bleeder: { at: 'At the screw', who: 'the screw' },
}
export const WORK_WORDS: Record<Work, string> = {
  setUp: 'Made ready',
  benchSetUp: 'Bench made ready',
  masterAlone: 'Proof: master alone, plugged',
  withLine: 'Proof: master with its line',
  withSlave: 'Proof: with the slave',
  endFill: 'Filled to the mark',
}
/** What goes wrong beside the cycle: what it means, and what to do. */
export const SIGN_SAYS: Record<BleedSign, string> = {
  hoseOff:
    'Close the screw first, then push the hose back on, dry, and tie it. If the pedal came up while it was off, air went in at the screw: bleed on.',
  threadWet:
    'Opened too far: fluid passes the thread, and air can come in there. A quarter turn is enough; wipe the screw and go on.',
  bubblesHeard:
    'In the reservoir: air is leaving by the port, leave it time between strokes. At the slave or a union: air is being drawn in, look for wet there before you bleed on.',
}
/** Cautions of tricks; the maker’s data comes before them. */
export const TRICK_CAUTIONS: Partial<Record<Trick, string>> = {
  noseUp: 'Stands on firm ground, wheels chocked; nobody under a vehicle on a jack alone.',
  noseDown: 'Stands on firm ground, wheels chocked; nobody under a vehicle on a jack alone.',
  turned: 'Loosen nothing under pressure. Tag the pedal: nobody presses it while the slave is free.',
  bottomed:
    'Tag the pedal, open the screw, press the piston home with a clamp, shut the screw, clamp off. Never by hand with a foot on the pedal.',
  wedged: 'Tag the pedal. The cap stays on, and the floor dry.',
  shortStrokes: 'Level, or nose down. Cap off, eyes away from the reservoir: it spits.',
  slavePrimed: 'Rag under it; eyes away from the port while the rod goes in.',
  masterPrimed: 'Rag round the union, eyes away: it spits when fluid comes.',
}
