import type { Piece } from '../chain'
import type { End } from '../end'

/** An adapter that is commonly turned from bar; price in the shop's money and days are judgement, until the shelf says. */
export interface Adapter extends Piece {
  label: string
  reason: string
}

const port = (thread: string, seat: End['seat'], depth: number): End => ({
  thread,
  gender: 'female',
  seat,
  depth,
  material: 'brass',
})
const nut = (thread: string, seat: End['seat'], length: number): End => ({
  thread,
  gender: 'male',
  seat,
  nut: { length, lead: 4 },
  material: 'brass',
})
const made = (
  id: string,
  label: string,
  ends: [End, End],
  price: number,
  days: number,
  reason: string,
): Adapter => ({ id, label, ends, price, days, reason })

export const ADAPTERS: readonly Adapter[] = [
  made(
    'union-m10-double',
    'Straight union, M10x1, double flare',
    [port('M10x1', 'doubleFlare', 13), port('M10x1', 'doubleFlare', 13)],
    5,
    1,
    'Joins two pipes of one kind; every shop has some.',
  ),
  made(
    'union-m10-bubble',
    'Straight union, M10x1, bubble flare',
    [port('M10x1', 'bubbleFlare', 13), port('M10x1', 'bubbleFlare', 13)],
    5,
    1,
    'Joins two pipes of one kind.',
  ),
  made(
    'union-38-double',
    'Straight union, 3/8-24, double flare',
    [port('3/8-24', 'doubleFlare', 12), port('3/8-24', 'doubleFlare', 12)],
    5,
    1,
    'Joins two pipes of one kind.',
  ),
  made(
    'm10-38-double',
    'Adapter, 3/8-24 nut into M10x1 port, double flare',
    [port('3/8-24', 'doubleFlare', 12), nut('M10x1', 'doubleFlare', 10)],
    9,
    3,
    'An inch pipe into a metric port, rightly.',
  ),
  made(
    '38-m10-double',
    'Adapter, M10x1 nut into 3/8-24 port, double flare',
    [port('M10x1', 'doubleFlare', 13), nut('3/8-24', 'doubleFlare', 9)],
    9,
    3,
    'A metric pipe into an inch port.',
  ),
  made(
    'm10-38-bubble',
    'Adapter, 3/8-24 double flare into M10x1 bubble port',
    [port('3/8-24', 'doubleFlare', 12), nut('M10x1', 'bubbleFlare', 10)],
    12,
    5,
    'Turns thread and flare at once.',
  ),
  made(
    'm10-flares',
    'Adapter, M10x1 double flare into M10x1 bubble port',
    [port('M10x1', 'doubleFlare', 13), nut('M10x1', 'bubbleFlare', 10)],
    10,
    3,
    'The same thread with the other flare: the swap that looks right.',
  ),
  made(
    'm12-m10-double',
    'Reducer, M10x1 nut into M12x1 port, double flare',
    [port('M10x1', 'doubleFlare', 13), nut('M12x1', 'doubleFlare', 10.5)],
    8,
    2,
    'A smaller pipe into a larger master.',
  ),
  made(
    'm12-38-double',
    'Adapter, 3/8-24 nut into M12x1 port, double flare',
    [port('3/8-24', 'doubleFlare', 12), nut('M12x1', 'doubleFlare', 10.5)],
    11,
    5,
    'An inch pipe into a larger metric master.',
  ),
  made(
    '716-m12',
    'Adapter, 7/16-20 nut into M12x1.25 port, double flare',
    [port('7/16-20', 'doubleFlare', 13), nut('M12x1.25', 'doubleFlare', 10.5)],
    12,
    5,
    'Instead of the nut that runs right in and holds on a sliver.',
  ),
]
