import { notBuilt } from '../stage'

export const choose = notBuilt(
  'Here parts, lines and fittings will be chosen and proved to fit before the old ones come off.',
)
