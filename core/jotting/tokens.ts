import { writtenOut } from '../quantity'

/** A piece of what was said, in standard form: a word, a figure with its unit, or what stands between two clauses. */
export type Token =
  | { kind: 'word'; word: string }
  | { kind: 'figure'; value: number; unit: Unit | null }
  | { kind: 'gap' }
type Unit = 'mm' | 's' | 'mm³' | '°C' | '°F' | '%' | 'months' | 'km' | 'other'

/** Units as they are said: what one of them is in the unit that is kept. */
const UNITS: Record<string, readonly [Unit, number]> = {}
const unit = (names: string, kept: Unit, size: number) =>
  names.split(' ').forEach((name) => (UNITS[name] = [kept, size]))
unit('mm mms mil mils mill mills millimeter millimetre millimeters millimetres', 'mm', 1)
unit('cm cms centimeter centimetre centimeters centimetres', 'mm', 10)
unit('inch inches "', 'mm', 25.4)
unit('thou thous thousandth thousandths', 'mm', 0.0254)
unit('s sec secs second seconds', 's', 1)
unit('min mins minute minutes', 's', 60)
unit('h hr hrs hour hours', 's', 3600)
unit('ml mls cc ccs milliliter millilitre milliliters millilitres', 'mm³', 1000)
unit('cl', 'mm³', 10_000)
unit('l liter litre liters litres', 'mm³', 1_000_000)
unit('oz ounce ounces floz', 'mm³', 29_573.529_562_5)
unit('c celsius degc', '°C', 1)
unit('f fahrenheit degf', '°F', 1)
unit('% percent', '%', 1)
unit('month months mth mths', 'months', 1)
unit('year years yr yrs', 'months', 12)
unit('km kms kilometers kilometres', 'km', 1)
unit('mile miles', 'km', 1.609_344)
unit('rpm revs mph kmh bar psi pint pints spanner wrench', 'other', 1)

const ONES =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  )
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ')
const WORD_FIGURES: Record<string, number> = { nought: 0, nil: 0, couple: 2, dozen: 12, fourty: 40 }
ONES.forEach((name, i) => (WORD_FIGURES[name] = i))
TENS.forEach((name, i) => (WORD_FIGURES[name] = 20 + 10 * i))

const SHORTENED: readonly (readonly [RegExp, string])[] = [
  [/\bwon['’]?t\b/g, 'will not'],
  [/\bcan['’]?t\b|\bcannot\b/g, 'can not'],
  [/\b(is|are|was|were|does|do|did|has|have|had|could|would|should)n['’]?t\b/g, '$1 not'],
  [/\bain['’]?t\b/g, 'is not'],
  [/\bm\/cyl\b|\bm cyl\b|\bmcyl\b/g, 'master'],
  [/\bs\/cyl\b|\bs cyl\b|\bscyl\b/g, 'slave'],
  [/\bw\/o\b/g, 'without'],
  [/\bw\b(?!\/)/g, 'with'],
  [/['’](s|re|ll|ve|d|m)\b/g, ' '],
]

/** What was said, in standard form. */
export function tokensOf(line: string): Token[] {
  let text = ` ${line.toLowerCase()} `
  text = writtenOut(text)
  text = text
    .replace(/[“”″]/g, '"')
    .replace(/[‘’′`]/g, "'")
    .replace(/[−–—]/g, '-')
  for (const [short, long] of SHORTENED) text = text.replace(short, long)
  text = text.replace(/(\d),(\d{1,3})(?!\d)/g, '$1.$2')
  // 62k miles.
  text = text.replace(/\b(\d+)\s?k(?= (?:mi|km|on))/g, '$1000')
  // Times: 2:00, 1m30s.
  text = text.replace(
    /\b(\d+):(\d\d)\b/g,
    (_, m: string, s: string) => ` ${Number(m) * 60 + Number(s)} s `,
  )
  text = text.replace(
    /\b(\d+) ?m ?(\d+) ?s\b/g,
    (_, m: string, s: string) => ` ${Number(m) * 60 + Number(s)} s `,
  )
  text = text.replace(/(\d)-(\d+\/\d)/g, '$1 $2')
  text = text.replace(/\bin\.(?=\s)/g, '"')
  const raw =
    text.match(
      /\d+(?:st|nd|rd|th)\b|-?\d+\/\d+|-?\d*\.\d+|-?\d+|[a-z]+(?:'[a-z]+)?|["%°]|[,;:.!?+&/\n]|-/g,
    ) ?? []
  return composed(raw)
}

const isFigure = (piece: string | undefined): piece is string =>
  piece !== undefined && /^-?(\d+\/\d+|\d*\.\d+|\d+)$/.test(piece)
const valueOf = (piece: string): number => {
  const [over, under] = piece.split('/')
  return under === undefined ? Number(over) : Number(over) / Number(under)
}

function composed(raw: readonly string[]): Token[] {
  const tokens: Token[] = []
  let i = 0
  while (i < raw.length) {
    const figure = figureAt(raw, i)
    if (figure) {
      tokens.push(figure.token)
      i = figure.next
      continue
    }
    const piece = raw[i]!
    i += 1
    if (/^[,;:.!?+&/\n]$/.test(piece)) tokens.push({ kind: 'gap' })
    else if (/^\d+(st|nd|rd|th)$/.test(piece)) tokens.push({ kind: 'word', word: 'gear' })
    else if (piece !== '-' && piece !== '"' && piece !== '°')
      tokens.push({ kind: 'word', word: piece.replace(/'/g, '') })
  }
  return tokens
}

/** A figure with its unit that begins at a place, and the place after it. */
function figureAt(raw: readonly string[], start: number): { token: Token; next: number } | null {
  let i = start
  let value: number | null = null
  let fraction = false
  const half = (): number | null => {
    if (raw[i] === 'half') return 0.5
    if (raw[i] === 'quarter') return 0.25
    return null
  }
  if (raw[i] === 'a' || raw[i] === 'an' || raw[i] === 'one') {
    // A minute, an hour, a couple, a quarter of a litre.
    const next = raw[i + 1]
    if (
      next &&
      (UNITS[next] || ['couple', 'dozen', 'quarter', 'half', 'hundred'].includes(next)) &&
      raw[i] !== 'one'
    )
      i += 1
    if (next && UNITS[next] && raw[start] !== 'one' && next !== 'c' && next !== 'f' && next !== 'h')
      return finish(1, i, false)
  }
  if (half() !== null) {
    value = half()!
    i += 1
    while (raw[i] === 'of' || raw[i] === 'a' || raw[i] === 'an') i += 1
    if (raw[i] === 'dozen') return finish(6, i + 1, false)
    const named = raw[i] && UNITS[raw[i]!]
    return named ? finish(value, i, false) : null
  }
  if (isFigure(raw[i])) {
    value = valueOf(raw[i]!)
    fraction = raw[i]!.includes('/')
    i += 1
    if (!fraction && isFigure(raw[i]) && raw[i]!.includes('/') && !raw[i]!.startsWith('-')) {
      value += valueOf(raw[i]!)
      fraction = true
      i += 1
    }
  } else {
    const said = spoken(raw, i)
    if (!said) return null
    value = said.value
    i = said.next
  }
  if (
    raw[i] === 'and' &&
    (raw[i + 1] === 'a' ? raw[i + 2] : raw[i + 1]) &&
    ['half', 'quarter'].includes(raw[i + 1] === 'a' ? raw[i + 2]! : raw[i + 1]!)
  ) {
    const at = raw[i + 1] === 'a' ? i + 2 : i + 1
    value += raw[at] === 'half' ? 0.5 : 0.25
    i = at + 1
  }
  if (raw[i] === 'ish') i += 1
  return finish(value, i, fraction)

  function finish(amount: number, at: number, isFraction: boolean): { token: Token; next: number } {
    let next = at
    while (
      raw[next] === 'of' ||
      raw[next] === 'a' ||
      (raw[next] === '-' && raw[next + 1] && UNITS[raw[next + 1]!])
    )
      next += 1
    let name = raw[next]
    if (name === '°' || name === 'deg' || name === 'degrees') {
      next += 1
      name = raw[next] === 'f' ? 'f' : 'c'
      if (raw[next] !== 'f' && raw[next] !== 'c') next -= 1
    }
    if (name === 'fl') name = raw[++next]
    // "In" between two figures is no inches: 2 in 30 s; so is 4 in 60.
    const inches =
      name === 'in' &&
      !isFigure(raw[next + 1]) &&
      !spoken(raw, next + 1) &&
      raw[next + 1] !== 'a' &&
      raw[next + 1] !== 'half' &&
      !/^(the|my|all|it|its|there|gear|top|reservoir|res|one|this)$/.test(raw[next + 1] ?? '')
    const known = inches ? UNITS['inch'] : name === undefined ? undefined : UNITS[name]
    const isLetter = name === 'c' || name === 'f' || name === 'l' || name === 'h' || name === 's'
    if (known && !(isLetter && raw[next - 1] !== '°' && !isFigure(raw[next - 1]) && next - 1 > at)) {
      const [kept, size] = known
      return { token: { kind: 'figure', value: amount * size, unit: kept }, next: next + 1 }
    }
    if (name === 'm' && isFigure(raw[at - 1]))
      return { token: { kind: 'figure', value: amount * 60, unit: 's' }, next: next + 1 }
    const bare: Token = {
      kind: 'figure',
      value: isFraction ? amount * 25.4 : amount,
      unit: isFraction ? 'mm' : null,
    }
    return { token: bare, next: at }
  }
}

/** A number in words: twenty two, one hundred and sixty, one sixty five. */
function spoken(raw: readonly string[], start: number): { value: number; next: number } | null {
  let i = start
  let value = 0
  let any = false
  const word = (at: number): number | undefined =>
    Object.hasOwn(WORD_FIGURES, raw[at] ?? '') ? WORD_FIGURES[raw[at]!] : undefined
  const first = word(i)
  if (first === undefined) return null
  if (['couple'].includes(raw[i]!)) return { value: 2, next: raw[i + 1] === 'of' ? i + 2 : i + 1 }
  value = first
  any = true
  i += 1
  if (raw[i] === 'hundred') {
    value *= 100
    i += 1
    if (raw[i] === 'and') i += 1
    const rest = tens(i)
    if (rest) return { value: value + rest.value, next: rest.next }
    return { value, next: i }
  }
  if (first >= 20 && first % 10 === 0) {
    const ones = word(i)
    if (ones !== undefined && ones > 0 && ones < 10) return { value: value + ones, next: i + 1 }
    return { value, next: i }
  }
  if (first < 10 && first > 0) {
    // One sixty five: a hundred and sixty five.
    const rest = tens(i)
    if (rest && rest.value >= 10) return { value: 100 * first + rest.value, next: rest.next }
  }
  return any ? { value, next: i } : null

  function tens(at: number): { value: number; next: number } | null {
    const ten = word(at)
    if (ten === undefined) return null
    if (ten >= 20 && ten % 10 === 0) {
      const ones = word(at + 1)
      return ones !== undefined && ones > 0 && ones < 10
        ? { value: ten + ones, next: at + 2 }
        : { value: ten, next: at + 1 }
    }
    return { value: ten, next: at + 1 }
  }
}
