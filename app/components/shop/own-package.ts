import { PACKAGE_SCHEMA, type Package, type PackageStep } from '~~/core/plan'

/** A step as it is typed: lists as text, one name after the other. */
export interface StepDraft {
  id: string
  title: string
  does: string
  why: string
  place: string
  minutes: [string, string, string]
  people: string
  needs: string
  forbids: string
  puts: string
  takes: string
  tools: string
  cautions: string
  after: string
  /** What the form has no field for stays as it was. */
  rest: Record<string, unknown>
}
export interface PackageDraft {
  id: string
  title: string
  operation: string
  brings: string[]
  steps: StepDraft[]
}

const LISTS = ['needs', 'forbids', 'puts', 'takes', 'cautions', 'after'] as const
const FIELDS = new Set(['id', 'title', 'does', 'why', 'place', 'minutes', 'people', 'tools', ...LISTS])
const names = (text: string): string[] =>
  text
    .split(/[,;\n]+/)
    .map((one) => one.trim())
    .filter(Boolean)

export const emptyStep = (n: number): StepDraft => ({
  id: `step${n}`,
  title: '',
  does: '',
  why: '',
  place: 'engineBay',
  minutes: ['1', '2', '4'],
  people: '1',
  needs: '',
  forbids: '',
  puts: '',
  takes: '',
  tools: '',
  cautions: '',
  after: '',
  rest: {},
})

/** A package as it is edited. */
export function draftOf(pack: Package): PackageDraft {
  return {
    id: pack.id,
    title: pack.title,
    operation: pack.operation,
    brings: [...(pack.brings ?? [])],
    steps: pack.steps.map((step) => stepDraft(step)),
  }
}
function stepDraft(step: PackageStep): StepDraft {
  const list = (name: (typeof LISTS)[number]) => ((step[name] as string[] | undefined) ?? []).join(', ')
  return {
    id: step.id,
    title: step.title,
    does: step.does ?? '',
    why: step.why ?? '',
    place: step.place,
    minutes: step.minutes.map(String) as StepDraft['minutes'],
    people: String(step.people ?? 1),
    needs: list('needs'),
    forbids: list('forbids'),
    puts: list('puts'),
    takes: list('takes'),
    cautions: list('cautions'),
    after: list('after'),
    tools: (step.tools ?? []).map(({ name, size }) => (size ? `${name}: ${size}` : name)).join(', '),
    rest: Object.fromEntries(Object.entries(step).filter(([name]) => !FIELDS.has(name))),
  }
}

/** A draft as a file has it; figures that are none go as they were typed, and are refused with their field. */
export function fileOf({ id, title, operation, brings, steps }: PackageDraft): object {
  const figure = (text: string) => (text.trim() === '' ? text : Number(text.replace(',', '.')))
  return {
    $schema: PACKAGE_SCHEMA,
    id,
    title,
    operation,
    brings,
    steps: steps.map((step) => ({
      ...step.rest,
      id: step.id,
      title: step.title,
      does: step.does,
      why: step.why,
      place: step.place,
      minutes: step.minutes.map(figure),
      people: figure(step.people),
      ...Object.fromEntries(
        LISTS.flatMap((name) => {
          const list = names(step[name])
          return list.length > 0 ? [[name, list]] : []
        }),
      ),
      ...(names(step.tools).length > 0 && {
        tools: names(step.tools).map((one) => {
          const [name, size] = one.split(':').map((part) => part.trim())
          return size ? { name, size } : { name }
        }),
      }),
    })),
  }
}

/** A name for the shop's own, from a title: letters, digits and hyphens. */
export const ownId = (title: string): string =>
  `own-${
    title
      .toLowerCase()
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 36) || 'package'
  }`
/** A step's id from its title: rinse it through → rinseItThrough. */
export const stepIdOf = (title: string, n: number): string => {
  const words = title
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-zA-Z0-9 ]+/g, '')
    .split(' ')
    .filter(Boolean)
  const id = words
    .map((word, i) =>
      i === 0 ? word.toLowerCase() : word[0]!.toUpperCase() + word.slice(1).toLowerCase(),
    )
    .join('')
    .slice(0, 40)
  return /^[a-zA-Z]/.test(id) ? id : `step${n}`
}
