import { Type, type Static } from '@sinclair/typebox'
import {
  fieldAt,
  LOAD_POINT,
  MOST_LINES,
  type Circuit,
  type Line as CircuitLine,
  type Slave,
} from '../core/circuit'
import { ARCHETYPES, installationField, MOST_POINTS, type Installation } from '../core/installation'
import { bounded, Line, OneOf, strict, tagged, type Same } from './shape'

const field = (path: string) => bounded(fieldAt(path)!)
const maybe = (path: string) => Type.Optional(field(path))

const line = {
  length: field('lines.*.length'),
  innerDiameter: field('lines.*.innerDiameter'),
}
export const LineSchema = tagged<CircuitLine>('kind', [
  Type.Object(
    { kind: Type.Literal('steel'), ...line, outerDiameter: field('lines.*.outerDiameter') },
    strict,
  ),
  Type.Object(
    {
      kind: OneOf(['rubber', 'braided', 'nylon']),
      ...line,
      expansion: field('lines.*.expansion'),
    },
    strict,
  ),
])

const slave = {
  stroke: field('slave.stroke'),
  springPreload: maybe('slave.springPreload'),
  sealFriction: maybe('slave.sealFriction'),
}
const SlaveSchema = tagged<Slave>('type', [
  Type.Object({ type: Type.Literal('external'), bore: field('slave.bore'), ...slave }, strict),
  Type.Object(
    {
      type: Type.Literal('concentric'),
      outer: field('slave.outer'),
      inner: field('slave.inner'),
      ...slave,
    },
    strict,
  ),
])

export const CircuitSchema = Type.Object(
  {
    pedal: Type.Object(
      {
        ratio: field('pedal.ratio'),
        travel: field('pedal.travel'),
        returnForce: maybe('pedal.returnForce'),
      },
      strict,
    ),
    master: Type.Object(
      {
        bore: field('master.bore'),
        stroke: field('master.stroke'),
        pushrodClearance: field('master.pushrodClearance'),
        portClosure: field('master.portClosure'),
        springPreload: maybe('master.springPreload'),
        springRate: maybe('master.springRate'),
        sealFriction: maybe('master.sealFriction'),
      },
      strict,
    ),
    lines: Type.Array(LineSchema, { maxItems: MOST_LINES }),
    slave: SlaveSchema,
    linkage: Type.Object(
      {
        forkRatio: field('linkage.forkRatio'),
        slop: field('linkage.slop'),
        bearingClearance: field('linkage.bearingClearance'),
      },
      strict,
    ),
    cover: Type.Object(
      {
        releaseLoad: Type.Array(Type.Tuple([bounded(LOAD_POINT.travel), bounded(LOAD_POINT.load)]), {
          minItems: LOAD_POINT.least,
          maxItems: LOAD_POINT.most,
        }),
        releaseTravel: field('cover.releaseTravel'),
        fullClampTravel: field('cover.fullClampTravel'),
      },
      strict,
    ),
    fluid: Type.Object({ bulkModulus: field('fluid.bulkModulus') }, strict),
    air: field('air'),
  },
  strict,
)

/** The line's way, at most as many points as the core allows. */
export const RouteSchema = Type.Array(
  Type.Object(
    {
      along: bounded({ min: 0, max: 640_000 }),
      height: bounded({ min: -5000, max: 5000 }),
      forward: bounded({ min: -10_000, max: 10_000 }),
      clip: Type.Optional(Type.Boolean()),
    },
    strict,
  ),
  { minItems: 2, maxItems: MOST_POINTS },
)

const angle = bounded({ min: -180, max: 180 })
export const InstallationSchema = Type.Object(
  {
    circuit: CircuitSchema,
    archetype: OneOf(ARCHETYPES.map((archetype) => archetype.id)),
    assumed: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 120 }),
    route: RouteSchema,
    reservoir: Type.Object(
      {
        sharedWithBrakes: Type.Boolean(),
        area: bounded(installationField('reservoir.area')!),
        usable: bounded(installationField('reservoir.usable')!),
        height: bounded(installationField('reservoir.height')!),
      },
      strict,
    ),
    master: Type.Object({ tilt: angle, outletAngle: angle, portAngle: angle }, strict),
    slave: Type.Object(
      {
        bleeder: tagged<Installation['slave']['bleeder']>('kind', [
          Type.Object({ kind: Type.Literal('none') }, strict),
          Type.Object({ kind: Type.Literal('screw'), angle }, strict),
        ]),
        linePort: angle,
        endRaise: angle,
        room: Type.Optional(bounded(installationField('slave.room')!)),
      },
      strict,
    ),
    rodThreadPitch: bounded({ min: 0.3, max: 5 }),
  },
  strict,
)

export const installationTypesAgree: [
  Same<Static<typeof CircuitSchema>, Circuit>,
  Same<Static<typeof InstallationSchema>, Installation>,
] = [true, true]

/** A file that holds one installation: what is exported, and what is read back. */
export const INSTALLATION_FILE = 'urn:mellow-anchor:installation:1'
export const InstallationFileSchema = Type.Object(
  {
    $schema: Type.Literal(INSTALLATION_FILE),
    /** What it was exported from; not read back. */
    name: Type.Optional(Line(120)),
    installation: InstallationSchema,
  },
  strict,
)
export type InstallationFile = Static<typeof InstallationFileSchema>

/** The schema as it is published: JSON Schema draft-07, lengths mm, forces N, pressures MPa, volumes mm³. */
export const publishedInstallationSchema = () => ({
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: INSTALLATION_FILE,
  title: 'Mellow Anchor installation, version 1',
  ...(JSON.parse(JSON.stringify(InstallationFileSchema)) as object),
})
