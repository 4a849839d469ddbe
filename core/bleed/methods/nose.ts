import { bleeder, calls } from './calls'
import { trick } from './row'
import { degrees } from './said'

export const noseUp = trick({
  id: 'noseUp',
  name: 'Nose of the vehicle up',
  caution: 'Stands on firm ground, wheels chocked; nobody under a vehicle on a jack alone.',
  said: { way: `nose up${degrees}|front (?:lifted|up)${degrees}`, figure: 'degrees' },
  where: 'vehicle',
  nose: 1,
  turns: false,
  drawsAs: null,
  instead: null,
  calls: calls([
    [
      bleeder('raise', { puts: ['tilt'] }),
      'Nose up, on firm stands, wheels chocked. Nobody under it on a jack alone.',
      'The nose goes up: stand clear, out of the seat.',
    ],
  ]),
  run: null,
})

export const noseDown = trick({
  id: 'noseDown',
  name: 'Nose of the vehicle down',
  caution: 'Stands on firm ground, wheels chocked; nobody under a vehicle on a jack alone.',
  said: { way: `nose down${degrees}|(?:back|rear) (?:lifted|up)${degrees}`, figure: 'degrees' },
  where: 'vehicle',
  nose: -1,
  turns: false,
  drawsAs: null,
  instead: null,
  calls: calls([
    [
      bleeder('raise', { puts: ['tilt'] }),
      'Tail up, on firm stands, wheels chocked. Nobody under it on a jack alone.',
      'The nose goes down: stand clear, out of the seat.',
    ],
  ]),
  run: null,
})
